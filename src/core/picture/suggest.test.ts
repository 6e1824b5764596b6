import { desktopFront, handheld, homeComputer } from '@/simulators/camera/machines';
import type { Scene } from '@/simulators/camera/scene';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { suggestCorners } from './suggest';

const withFace = (scene: Scene, id: string): Scene => ({
  ...scene,
  regions: [{ id: 'face', plate: id, box: scene.plates.find((plate) => plate.id === id)!.box }],
});

it.each([
  ['a home computer', withFace(homeComputer({ amount: 20 }, { amount: 20 }), 'shell')],
  ['a desktop’s front', withFace(desktopFront({ amount: 6 }), 'fascia')],
  ['a pocket computer', withFace(handheld({ amount: 12 }), 'body')],
])('finds the corners of %s on its bench within a hundredth of the picture', (_, scene) => {
  for (const [tilt, turnDeg] of [
    [0.1, 0],
    [0.5, 4],
  ] as const) {
    const { picture, spec } = takePhotograph(scene, { ...PLAIN_SHOT, width: 800, height: 600, tilt, turnDeg });
    const found = suggestCorners(picture)!;
    spec.regions[0]!.polygon.forEach(([x, y], i) =>
      expect(Math.hypot(found[i]![0] - x, found[i]![1] - y)).toBeLessThan(8),
    );
  }
});

it('says so where nothing stands out, or what does fills the picture', () => {
  const blank = { width: 400, height: 300, data: new Uint8ClampedArray(4 * 400 * 300).fill(128) };
  expect(suggestCorners(blank)).toBeNull();
  const full = { width: 400, height: 300, data: new Uint8ClampedArray(4 * 400 * 300) };
  for (let y = 0; y < 300; y++)
    for (let x = 0; x < 400; x++) full.data.set(y > 150 ? [230, 220, 190, 255] : [40, 60, 70, 255], 4 * (y * 400 + x));
  expect(suggestCorners(full)).toBeNull();
});
