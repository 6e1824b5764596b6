import fc from 'fast-check';
import { FAMILIES, FAMILY_NAMES, type Family, type FamilyName } from './families';
import { partOf } from './part';
import { mirrored, twiceArea, type Ring } from './rings';
import { isWatertight, meshOf } from './mesh';
import { trianglesOf } from './solid';

const example = (name: FamilyName) => FAMILIES[name].example as unknown as Record<string, number>;

/** Another reader of a binary STL than the one that Kvell uses, number by number. */
function readBack(stl: Uint8Array): { volumeMm3: number; faces: number; gaping: number } {
  const bytes = Buffer.from(stl);
  const faces = bytes.readUInt32LE(80);
  expect(bytes.length).toBe(84 + 50 * faces);
  const once = new Map<string, number>();
  let volume = 0;
  for (let f = 0; f < faces; f++) {
    const corner = (k: number) => [0, 4, 8].map((at) => bytes.readFloatLE(84 + 50 * f + 12 + 12 * k + at));
    const [a, b, c] = [corner(0), corner(1), corner(2)] as [number[], number[], number[]];
    volume +=
      (a[0]! * (b[1]! * c[2]! - b[2]! * c[1]!) +
        a[1]! * (b[2]! * c[0]! - b[0]! * c[2]!) +
        a[2]! * (b[0]! * c[1]! - b[1]! * c[0]!)) /
      6;
    for (const [p, q] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      const [one, other] = [`${p} ${q}`, `${q} ${p}`];
      if ((once.get(other) ?? 0) > 0) once.set(other, once.get(other)! - 1);
      else once.set(one, (once.get(one) ?? 0) + 1);
    }
  }
  return { volumeMm3: volume, faces, gaping: [...once.values()].filter((left) => left !== 0).length };
}

describe('parts of a kind', () => {
  it.each(FAMILY_NAMES)('%s: holds water, and its volume is its formula’s to a thousandth', (name) => {
    const sizes = example(name);
    const { solid, stl } = partOf(name, sizes);
    expect(solid.watertight).toBe(true);
    const read = readBack(stl);
    expect(read).toMatchObject({ faces: solid.triangles, gaping: 0 });
    expect(read.volumeMm3 / solid.volumeMm3).toBeCloseTo(1, 5);
    const { formula } = FAMILIES[name] as unknown as Family<object>;
    if (formula) expect(Math.abs(solid.volumeMm3 / formula(sizes) - 1)).toBeLessThan(0.001);
    expect(solid.massG).toBeCloseTo((solid.volumeMm3 * 1.05) / 1000, 6);
  });

  it('all sizes that are taken make a part that holds water; s times as large it is s³ of it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILY_NAMES.filter((name) => name !== 'plate')),
        fc.array(fc.double({ min: 0.6, max: 1.6, noNaN: true }), { minLength: 8, maxLength: 8 }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        (name, by, scale) => {
          const sizes = Object.fromEntries(
            Object.entries(example(name)).map(([field, value], i) => [field, Number((value * by[i]!).toFixed(2))]),
          );
          const made = (times: number) => {
            try {
              return partOf(name, Object.fromEntries(Object.entries(sizes).map(([f, v]) => [f, v * times]))).solid;
            } catch {
              return null;
            }
          };
          const one = made(1);
          fc.pre(one !== null);
          expect(one!.watertight).toBe(true);
          // Rims that are the same on every size are no part of the law.
          if (name === 'hinge-stub' || name === 'door') return;
          const large = made(scale)!;
          expect(large.watertight).toBe(true);
          expect(large.volumeMm3 / one!.volumeMm3 / scale ** 3).toBeCloseTo(1, 3);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('the fixed ones come to what they are', () => {
    const { solid } = partOf('sleeve', { innerMm: 3.2, outerMm: 7, lengthMm: 9 });
    expect(solid.volumeMm3).toBeGreaterThan(0.999 * (Math.PI / 4) * (49 - 3.2 ** 2) * 9);
    expect(solid.boxMm.map((side) => Number(side.toFixed(4)))).toEqual([7, 7, 9]);
    expect(partOf('pin', { diameterMm: 3, lengthMm: 14 }).solid.boxMm[2]).toBeCloseTo(14, 5);
    const foot = partOf('foot', { diameterMm: 18, heightMm: 8, holeMm: 0, counterboreMm: 0, counterboreDepthMm: 0 });
    expect(foot.solid.volumeMm3 / (Math.PI * 81 * 8)).toBeCloseTo(1, 3);
  });
});

describe('a flat part', () => {
  const star = (n: number, inner: number, outer: number): Ring =>
    Array.from({ length: 2 * n }, (_, i) => {
      const at = (Math.PI * i) / n;
      const r = i % 2 ? inner : outer;
      return [r * Math.cos(at), r * Math.sin(at)] as const;
    });
  const square = (size: number, x = 0, y = 0): Ring => [
    [x - size, y - size],
    [x + size, y - size],
    [x + size, y + size],
    [x - size, y + size],
  ];

  it('of any star with holes holds water, whichever way its rings run, and mirrored it is as large', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 60 }),
        fc.double({ min: 6, max: 10, noNaN: true }),
        fc.double({ min: 11, max: 30, noNaN: true }),
        fc.boolean(),
        (n, inner, outer, back) => {
          const outline = back ? [...star(n, inner, outer)].reverse() : star(n, inner, outer);
          const holes = [square(0.7, -1.5), square(0.7, 1.5, 0.4)];
          const { solid, stl } = partOf('plate', { outline, holes, thicknessMm: 2 });
          expect(isWatertight(meshOf(trianglesOf(stl)))).toBe(true);
          const area = Math.abs(twiceArea(outline)) / 2 - 2 * 1.96;
          expect(solid.volumeMm3 / (2 * area)).toBeCloseTo(1, 3);
          const other = partOf('plate', { outline: mirrored(outline), holes: holes.map(mirrored), thicknessMm: 2 });
          expect(other.solid.volumeMm3).toBeCloseTo(solid.volumeMm3, 2);
          expect(mirrored(mirrored(outline))).toEqual(outline);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('with points on its straights, and an island’s hole, is taken as well', () => {
    const outline: Ring = [
      [0, 0],
      [10, 0],
      [20, 0],
      [40, 0],
      [40, 12],
      [20, 12],
      [0, 12],
      [0, 6],
    ];
    const { solid } = partOf('plate', {
      outline,
      holes: [square(2, 8, 6), square(2, 20, 6), square(2, 32, 6)],
      thicknessMm: 3,
    });
    expect(solid).toMatchObject({ watertight: true });
    expect(solid.volumeMm3 / (3 * (480 - 48))).toBeCloseTo(1, 3);
  });

  it.each([
    [
      {
        outline: [
          [0, 0],
          [10, 10],
          [10, 0],
          [0, 7],
        ],
      },
      'crosses itself',
    ],
    [{ holes: [square(3, 10, 10)], outline: square(10) }, 'A hole crosses the outline'],
    [
      {
        outline: [
          [0, 0],
          [5, 5],
          [10, 10],
        ],
      },
      'and an area',
    ],
    [
      {
        outline: [
          [0, 0],
          [5, 5],
        ],
      },
      '3 at least',
    ],
    [{ thicknessMm: 0.2 }, 'a nozzle lays 0.4 mm'],
    [{ thicknessMm: 0 }, 'more than 0'],
    [{ thicknessMm: 5000 }, '1000'],
  ])('that cannot be is refused with words: %#', (wrong, words) => {
    expect(() => partOf('plate', { ...FAMILIES.plate.example, ...wrong })).toThrow(words);
  });
});

it.each([
  ['sleeve', { innerMm: 7, outerMm: 7, lengthMm: 9 }, 'leaves no wall'],
  ['sleeve', { innerMm: 6.8, outerMm: 7, lengthMm: 9 }, 'a wall of 0.1 mm'],
  ['foot', { ...FAMILIES.foot.example, holeMm: 30 }, 'narrower than its hole'],
  ['foot', { ...FAMILIES.foot.example, counterboreMm: 30 }, 'leaves no wall'],
  ['foot', { ...FAMILIES.foot.example, counterboreDepthMm: 8 }, 'leaves no wall'],
  ['pin', { diameterMm: -1, lengthMm: 4 }, 'more than 0'],
  ['pin', { diameterMm: 1 }, 'Length'],
  ['thing', {}, 'There is no kind of part “thing”'],
])('a part that cannot be is refused with words: %s %#', (name, sizes, words) => {
  expect(() => partOf(name, sizes)).toThrow(words);
});

describe('a flat part with what stands on it and sinks into it', () => {
  const slab = {
    outline: [
      [0, 0],
      [60, 0],
      [60, 30],
      [0, 30],
    ],
    thicknessMm: 3,
  };
  const cone = (a: number, b: number, h: number) => (Math.PI * h * (a * a + a * b + b * b)) / 12;
  const volumeOf = (more: object) => {
    const { solid, stl } = partOf('plate', { ...slab, ...more });
    expect(solid.watertight).toBe(true);
    const read = readBack(stl);
    expect(read.gaping).toBe(0);
    return read.volumeMm3;
  };

  it('has the volume of its formula: a chamfer, a sunk screw hole, pins and a rib', () => {
    const plain = 60 * 30 * 3;
    // A chamfer of 1 mm all round: slab less a frustum’s difference.
    const chamfered = 60 * 30 * 2 + (1 / 3) * (60 * 30 + 58 * 28 + Math.sqrt(60 * 30 * 58 * 28));
    expect(volumeOf({ chamferMm: 1 }) / chamfered).toBeCloseTo(1, 3);
    const sunk = { at: [10, 15], holeMm: 3.4, headMm: 7, deepMm: 2 };
    const drilled = plain - (Math.PI / 4) * 3.4 ** 2 * 1 - cone(3.4, 7, 2);
    expect(volumeOf({ screwHoles: [sunk] }) / drilled).toBeCloseTo(1, 3);
    const pin = { at: [30, 10], diameterMm: 4, highMm: 6 };
    const rib = { from: [40, 20], to: [55, 20], wideMm: 2, highMm: 4 };
    const upon = (Math.PI / 4) * 16 * 6 + 15 * 2 * 4;
    expect(volumeOf({ pins: [pin], ribs: [rib] }) / (plain + upon)).toBeCloseTo(1, 3);
    const all = volumeOf({ chamferMm: 1, screwHoles: [sunk], pins: [pin], ribs: [rib] });
    expect(all / (chamfered - (plain - drilled) + upon)).toBeCloseTo(1, 3);
  });

  it('is drawn as the outline is, y down: a pin near its upper edge stands near that edge', () => {
    const { solid, stl } = partOf('plate', { ...slab, pins: [{ at: [30, 4], diameterMm: 4, highMm: 9 }] });
    expect(solid.boxMm[2]).toBeCloseTo(12, 3);
    const high = trianglesOf(stl)
      .flat()
      .filter(([, , z]) => z > 11);
    expect(Math.max(...high.map(([, y]) => y))).toBeCloseTo(-2, 3);
  });

  it.each([
    [{ chamferMm: 2.9 }, 'chamferMm', 'A chamfer'],
    [{ screwHoles: [{ at: [10, 15], holeMm: 5, headMm: 3, deepMm: 1 }] }, 'screwHoles[0]', 'narrower'],
    [{ screwHoles: [{ at: [10, 15], holeMm: 3, headMm: 6, deepMm: 3 }] }, 'screwHoles[0]', 'deep'],
    [{ screwHoles: [{ at: [90, 15], holeMm: 3, headMm: 6, deepMm: 1 }] }, 'screwHoles[0]', 'outside'],
    [{ pins: [{ at: [1, 1], diameterMm: 4, highMm: 4 }] }, 'pins[0]', 'crosses'],
    [{ pins: [{ at: [-20, 1], diameterMm: 4, highMm: 4 }] }, 'pins[0]', 'outside'],
    [
      {
        pins: [{ at: [30, 15], diameterMm: 4, highMm: 4 }],
        ribs: [{ from: [20, 15], to: [40, 15], wideMm: 2, highMm: 3 }],
      },
      'ribs[0]',
      'crosses',
    ],
  ])('refuses %j beside its field', (more, field, words) => {
    try {
      partOf('plate', { ...slab, ...more });
      throw new Error('taken');
    } catch (error) {
      expect(error).toMatchObject({ field });
      expect((error as Error).message).toContain(words);
    }
  });
});
