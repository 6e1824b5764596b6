import { face, homeComputer } from '@/simulators/camera/machines';
import { NO_PHONE } from '@/simulators/camera/phone';
import { PATCHES, someShot, withPatches } from '@/simulators/camera/rooms';
import { PLAIN_SHOT, takePhotograph, type Room } from '@/simulators/camera/shot';
import { benchLight } from './benchLight';
import { measurePicture } from './measure';
import { rectPolygon } from './polygon';
import { sdOfDistance, type SureFacts } from './sure';

const FACTS: SureFacts = {
  ...{ method: 'gain and offset', patches: 2, residual: 0, nearestL: 81 },
  ...{ piece: [80, 1, 20], hidden: [85.25, 0, 5], light: { changeShare: 0.1, offBlue: 0.005 } },
  ...{ ownChange: 0.1, away: 0.25, otherPicture: false, pixels: [60_000, 8_000] },
};
const sdB = (other: Partial<SureFacts> = {}) => sdOfDistance({ ...FACTS, ...other }).sdB;

it('is surer with more patches, and less sure with all that is known to be off', () => {
  const kinds = [
    { method: 'none', patches: 0, nearestL: null },
    { method: 'gain', patches: 1 },
    { method: 'gain and offset', patches: 2 },
    { method: 'matrix', patches: 7 },
  ] as const;
  const sds = kinds.map((kind) => sdB(kind));
  expect(sds).toEqual([...sds].sort((a, b) => b - a));
  for (const worse of [
    { light: { changeShare: 0.8, offBlue: 0.005 } },
    { light: { changeShare: 0.1, offBlue: 0.08 } },
    { light: null },
    { light: null, ownChange: 0.9 },
    { piece: [70, 1, 20] as const },
    { piece: [73, 1, 40] as const },
    { pixels: [60_000, 100] as const },
    { residual: 6 },
    { otherPicture: true },
    { light: { changeShare: 0.5, offBlue: 0.005 }, away: 0.5 },
  ] as Partial<SureFacts>[])
    expect(sdB(worse)).toBeGreaterThan(1.02 * sdB());
  // A dark card says less of pale plastic than a light one.
  const one = { method: 'gain', patches: 1 } as const;
  expect(sdB({ ...one, nearestL: 50 })).toBeGreaterThan(1.3 * sdB({ ...one, nearestL: 81 }));
  // No sky’s light counts as a lamp.
  expect(sdB({ light: { changeShare: 0, offBlue: 0.005 } })).toBeCloseTo(sdB(), 6);
});

const lamp = (changeShare: number) => ({ changeShare, offBlue: 0.005 });

/** Each number of the errors decides one of these by more than is let pass. */
it.each([
  ['two greys in good light', {}, 0.74, 0.7],
  ['no card', { method: 'none', patches: 0, nearestL: null }, 1.87, 0.7],
  ['one light grey', { method: 'gain', patches: 1 }, 1.09, 0.7],
  ['one dark grey', { method: 'gain', patches: 1, nearestL: 50 }, 1.57, 0.7],
  ['three greys', { patches: 3 }, 0.74, 0.7],
  ['seven colours', { method: 'matrix', patches: 7 }, 0.63, 0.7],
  ['a lamp near by', { light: lamp(0.5) }, 1.45, 0.7],
  ['a lamp near by, the patch far from the piece', { light: lamp(0.5), away: 0.5 }, 2.0, 0.7],
  ['a lamp near by, the patch within the piece', { light: lamp(0.5), away: 0 }, 0.93, 0.7],
  ['a lamp that hardly reaches the other side', { light: lamp(3) }, 2.57, 0.7],
  ['light of two colours', { light: { changeShare: 0.1, offBlue: 0.08 } }, 1.09, 0.7],
  ['no bench', { light: null }, 1.04, 0.7],
  ['a piece in the shade of something', { piece: [70, 1, 20] }, 2.99, 5.05],
  ['a patch of a hundred pixels', { pixels: [60_000, 100] }, 1.09, 0.7],
  ['a card that does not agree with itself', { residual: 6 }, 1.59, 0.7],
  ['the patch of another picture', { otherPicture: true }, 1.25, 0.7],
  ['no distance at all', { piece: [85.25, 0, 5] }, 0.51, 0.7],
] as [string, Partial<SureFacts>, number, number][])('%s: so far off it may be', (_, facts, b, l) => {
  const { sdB: foundB, sdL } = sdOfDistance({ ...FACTS, ...facts });
  expect(foundB).toBeCloseTo(b, 1.9);
  expect(sdL).toBeCloseTo(l, 1.9);
});

it('an error of ΔE00 follows those of b* and L*, and is not nothing where there is no distance', () => {
  const { sdDeltaE00, sdL, sdB: b } = sdOfDistance(FACTS);
  expect(sdDeltaE00).toBeLessThan(b);
  expect(sdL).toBeGreaterThan(0.5);
  expect(sdOfDistance({ ...FACTS, piece: FACTS.hidden }).sdDeltaE00).toBeGreaterThan(0.1);
});

it('the bench shows how the light of a near lamp falls, and says nothing where there is none', () => {
  const lamp = { matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [-0.6, 0.2] as const, distance: 1.6, share: 1 };
  const room: Room = { lamps: [lamp], vignette: 0.05, flare: 0, shadow: null, glare: null, phone: NO_PHONE };
  const shot = { ...PLAIN_SHOT, width: 800, height: 600, exposure: 0.6, room };
  const { picture, spec } = takePhotograph(face('plain', { amount: 10 }), shot);
  const light = benchLight(picture, [spec.regions[0]!.polygon, rectPolygon(spec.card[0]!.rect)])!;
  const truth = (px: number, py: number) => {
    const [x, y] = [px / 800 - 0.5, (py - 300) / 800];
    const far = (u: number, v: number) => 1 / ((lamp.at[0] - u) ** 2 + (lamp.at[1] - v) ** 2 + lamp.distance ** 2);
    return (far(x, y) / far(0, 0)) * (1 - 0.05 * 4 * (x * x + y * y));
  };
  for (const [x, y] of [
    [100, 100],
    [700, 120],
    [400, 520],
    [250, 300],
  ] as const)
    expect(light.at(x, y)[1] / truth(x, y)).toBeCloseTo(1, 1);
  expect(light.changeShare).toBeGreaterThan(0.2);
  expect(benchLight(picture, [rectPolygon([0, 0, 800, 600])])).toBeNull();
});

it('on photographs of rooms that were not tuned on, a distance lies within its error', () => {
  let held = 0;
  let all = 0;
  for (const practice of ['good', 'ordinary'] as const)
    for (let seed = 600; seed < 608; seed++) {
      const patches = ([1, 2, 3, 7] as const)[seed % 4]!;
      const amount = 4 + 3 * (seed % 8);
      const scene = withPatches(homeComputer({ amount }, { amount }), PATCHES[patches]);
      const { picture, spec, truth } = takePhotograph(scene, { ...someShot(practice, seed, 640), exposure: 0.7 });
      const [lid] = measurePicture(picture, { ...spec, reference: 'hidden' }).result.regions;
      const off = lid!.deltaB! - (truth.lid![2] - truth.hidden![2]);
      all++;
      if (Math.abs(off) <= 1.645 * lid!.sdB!) held++;
      expect(Math.abs(off)).toBeLessThan(4 * lid!.sdB!);
    }
  expect(held / all).toBeGreaterThan(0.7);
});

it('without a card a hidden patch is still read in the same light as the piece', () => {
  const lamp = { matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0.7, -0.3] as const, distance: 1.4, share: 1 };
  const room: Room = { lamps: [lamp], vignette: 0, flare: 0, shadow: null, glare: null, phone: NO_PHONE };
  const shot = { ...PLAIN_SHOT, width: 800, height: 600, exposure: 0.6, room };
  const { picture, spec, truth } = takePhotograph(homeComputer({ amount: 14 }, { amount: 14 }), shot);
  const [lid] = measurePicture(picture, { ...spec, card: [], reference: 'hidden' }).result.regions;
  expect(Math.abs(lid!.deltaB! - (truth.lid![2] - truth.hidden![2]))).toBeLessThan(1);
});
