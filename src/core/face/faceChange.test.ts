import { desktopFront, homeComputer } from '@/simulators/camera/machines';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';
import type { Scene } from '@/simulators/camera/scene';
import { faceChange } from './faceChange';

const IDS = { piece: 'face', hidden: 'hidden' };
const shown = (scene: Scene, shot: Partial<Shot>) => {
  const { picture, spec } = takePhotograph(scene, { ...PLAIN_SHOT, width: 800, height: 600, ...shot });
  return { picture, spec };
};
const computer = (amount: number) => homeComputer({ amount }, { amount: 20 }, { face: true });

it('an unchanged face in another light and from another side has hardly changed; a brightened one has, and says what is left', () => {
  const first = shown(computer(18), { seed: 1 });
  const steps: number[] = [];
  const same = faceChange(
    first,
    shown(computer(18), { seed: 2, light: LIGHTS['warm lamp'], tilt: 0.45, turnDeg: 3 }),
    5,
    IDS,
    (share) => steps.push(share),
  );
  expect(same.most).toBeLessThan(2);
  expect(same.yellower).toBeLessThan(0.02);
  expect(steps).toEqual([...steps].sort((a, b) => a - b));
  const brighter = faceChange(first, shown(computer(6), { seed: 3, light: LIGHTS['north window'] }), 5, IDS);
  expect(brighter.median).toBeGreaterThan(4);
  // From 18 to 6 above the patch: two thirds of the way.
  expect(brighter.come).toBeGreaterThan(0.5);
  expect(brighter.come).toBeLessThan(0.85);
  expect(same.come).toBeLessThan(0.15);
  expect(brighter.change.length).toBe(4 * brighter.columns * brighter.rows);
  const yellower = faceChange(shown(computer(6), { seed: 4 }), shown(computer(14), { seed: 5 }), null, IDS);
  expect(yellower.yellower).toBeGreaterThan(0.3);
});

it('another machine’s face is refused, and corners in a line too', () => {
  const first = shown(computer(12), { seed: 1 });
  const other = shown(desktopFront({ amount: 12 }), { seed: 2 });
  const renamed = {
    ...other,
    spec: {
      ...other.spec,
      regions: other.spec.regions.map((region) => (region.id === 'fascia' ? { ...region, id: 'face' } : region)),
    },
  };
  expect(() => faceChange(first, renamed, 5, IDS)).toThrow('do not show the same face');
  const flat = {
    ...first.spec,
    regions: [
      {
        id: 'face',
        polygon: [
          [0, 0],
          [100, 1],
          [200, 0],
          [100, 3],
        ] as const,
      },
    ],
  };
  expect(() => faceChange({ ...first, spec: flat as never }, first, 5, IDS)).toThrow(/nearly in a line|crossed/);
});
