import type { Corners } from '@/core/picture/corners';
import { CAPS_ON, KEYBOARDS, keyboardScene, type CapsOff } from '@/simulators/camera/keyboards';
import { someShot, type Practice } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';
import { compareCaps } from './compareCaps';
import { findKeys } from './findKeys';
import { SURE_KEY, type FoundKey } from './found';
import { overlapMm } from './photo.testing';
import { likenessOf, turnedRound } from './patch';

type Name = keyof typeof KEYBOARDS;

function photographed(name: Name, seed: number, caps: CapsOff = CAPS_ON, tilt = 0.3, room: Practice = 'good') {
  const taken = takePhotograph(keyboardScene(KEYBOARDS[name], { seed: 5, tilt, caps }), {
    ...someShot(room, seed, 1100),
    tilt,
  });
  return { picture: taken.picture, corners: taken.spec.regions[0]!.polygon as unknown as Corners };
}

const found = (name: Name, seed: number, caps?: CapsOff): FoundKey[] => {
  const { picture, corners } = photographed(name, seed, caps);
  return findKeys(picture, corners, KEYBOARDS[name].widthMm, KEYBOARDS[name].heightMm);
};

describe('the keys on a photograph', () => {
  it.each([
    ['home', 11],
    ['pocket', 12],
    ['desk', 13],
    ['slab', 14],
  ] as const)('are found on the %s keyboard, each once', (name, seed) => {
    const keys = found(name, seed);
    const hit = KEYBOARDS[name].keys.filter((key) => keys.some((one) => overlapMm(one, key) >= 0.8));
    expect(hit.length).toBeGreaterThanOrEqual(0.97 * KEYBOARDS[name].keys.length);
    // No more than a badge besides.
    expect(keys.length).toBeLessThanOrEqual(KEYBOARDS[name].keys.length + 1);
  });

  it('are found where a cap is off, and asked about', () => {
    const off = ['t', 'g', 'comma'];
    const keys = found('home', 15, { ...CAPS_ON, missing: off });
    for (const id of off) {
      const key = KEYBOARDS.home.keys.find((one) => one.id === id)!;
      const best = keys.find((one) => overlapMm(one, key) >= 0.8);
      expect([id, best !== undefined && best.confidence < SURE_KEY]).toEqual([id, true]);
    }
  });

  it('are none on a plain bench, and that is said', () => {
    const { picture } = photographed('home', 16);
    const bench: Corners = [
      [10, 700],
      [200, 700],
      [200, 800],
      [10, 800],
    ];
    expect(() => findKeys(picture, bench, 200, 100)).toThrow(/looks like keys/);
  });

  it('need four corners that go round', () => {
    const { picture, corners } = photographed('pocket', 17);
    const [a, b, c, d] = corners;
    expect(() => findKeys(picture, [a, c, b, d], 190, 84)).toThrow(/crossed/);
  });
});

describe('caps before and after', () => {
  it('are named where they were swapped, turned or lost, and no others', () => {
    const caps: CapsOff = { swapped: [['q', 'k']], turned: ['5'], missing: ['x'] };
    const { keys } = KEYBOARDS.home;
    const changes = compareCaps(keys, KEYBOARDS.home, photographed('home', 21), photographed('home', 22, caps, 0.5));
    expect(Object.fromEntries(Object.entries(changes).filter(([, { kind }]) => kind !== 'same'))).toEqual({
      q: { kind: 'swapped', from: 'k' },
      k: { kind: 'swapped', from: 'q' },
      '5': { kind: 'turned' },
      x: { kind: 'missing' },
    });
  });

  // What shows where a cap was, collar and stem, may look a little like its print.
  it('are named as lost though what lies below looks like their print', () => {
    const lost = photographed('pocket', 218019, { ...CAPS_ON, missing: ['v'] }, 0, 'ordinary');
    const before = photographed('pocket', 210100, CAPS_ON, 0, 'ordinary');
    const changes = compareCaps(KEYBOARDS.pocket.keys, KEYBOARDS.pocket, before, lost);
    expect(Object.entries(changes).filter(([, { kind }]) => kind !== 'same')).toEqual([['v', { kind: 'missing' }]]);
  });

  it('are the same on the same picture', () => {
    const view = photographed('pocket', 23);
    const changes = compareCaps(KEYBOARDS.pocket.keys, KEYBOARDS.pocket, view, view);
    expect(new Set(Object.values(changes).map(({ kind }) => kind))).toEqual(new Set(['same']));
  });

  it('are known though the corners were marked by another hand', () => {
    const before = photographed('slab', 24);
    const after = photographed('slab', 24);
    const hand = [
      [3, -2],
      [-3, 3],
      [2, 3],
      [-2, -3],
    ];
    const corners = after.corners.map(([x, y], i) => [x + hand[i]![0]!, y + hand[i]![1]!]) as unknown as Corners;
    const changes = compareCaps(KEYBOARDS.slab.keys, KEYBOARDS.slab, before, { ...after, corners });
    expect(Object.entries(changes).filter(([, { kind }]) => kind !== 'same')).toEqual([]);
  });
});

describe('a patch', () => {
  const patch = { columns: 3, rows: 2, values: Float32Array.of(1, 5, 2, 8, 0, 3) };
  const still = { dx: 0, dy: 0, across: 0, down: 0 };

  it('is itself when it is turned round twice', () => {
    expect(turnedRound(turnedRound(patch))).toEqual(patch);
  });

  it('is as like itself as can be, in any light', () => {
    const lit = { ...patch, values: patch.values.map((value) => 3 * value + 7) };
    expect(likenessOf(patch, lit, still).likeness).toBeCloseTo(1, 6);
  });
});
