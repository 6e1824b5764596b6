import fc from 'fast-check';
import { dewPoint } from './dewPoint';
import { GRITS, gritLadder } from './gritLadder';
import { codeOfLinear } from '../colour/bulk';
import { deltaE00 } from '../colour/difference';
import { srgbToLab, srgbToLinear } from '../colour/lab';
import type { Srgb } from '../colour/types';
import { paintAmount } from './paintAmount';
import { absorption, reflectance, strengthOf, tintRecipe, type Pigment } from './tint';

it('the dew point of 20 °C and 50 % is 9.26 °C, and of full air its own warmth', () => {
  expect(dewPoint({ temperatureC: 20, relativeHumidityPercent: 50 }).dewPointC).toBeCloseTo(9.26, 2);
  for (const temperatureC of [-5, 0, 12.5, 30])
    expect(dewPoint({ temperatureC, relativeHumidityPercent: 100 }).dewPointC).toBeCloseTo(temperatureC, 9);
});

it('the dew point rises with both, and never over the air', () => {
  const air = fc.record({
    temperatureC: fc.double({ min: -20, max: 45, noNaN: true }),
    relativeHumidityPercent: fc.double({ min: 2, max: 99, noNaN: true }),
  });
  fc.assert(
    fc.property(air, (one) => {
      const { dewPointC } = dewPoint(one);
      expect(dewPointC).toBeLessThanOrEqual(one.temperatureC);
      expect(dewPoint({ ...one, temperatureC: one.temperatureC + 1 }).dewPointC).toBeGreaterThan(dewPointC);
      expect(dewPoint({ ...one, relativeHumidityPercent: one.relativeHumidityPercent + 1 }).dewPointC).toBeGreaterThan(
        dewPointC,
      );
    }),
  );
});

it('two sprayed coats on 1,200 cm² at 10 m² a litre take 40 mL', () => {
  expect(paintAmount({ areaCm2: 1200, coverageM2PerL: 10, coats: 2, transfer: 0.6 }).paintMl).toBeCloseTo(40, 9);
});

describe('a ladder of grits', () => {
  it('begins and ends where it is told, with the fewest and evenest between', () => {
    expect(gritLadder({ from: 120, to: 240 }).grits).toEqual([120, 240]);
    // One between: 180 and 220 would both do; 220 is nearer to the even 219.
    expect(gritLadder({ from: 120, to: 400 }).grits).toEqual([120, 220, 400]);
    expect(gritLadder({ from: 400, to: 400 }).grits).toEqual([400]);
    expect(gritLadder({ from: 90, to: 170 }).grits).toEqual([90, 170]);
  });

  it('is refused from fine to coarse, and where no paper lies between', () => {
    expect(() => gritLadder({ from: 400, to: 120 })).toThrow(/from fine to coarse/);
    expect(() => gritLadder({ from: 10, to: 60 })).toThrow(/papers go from 40 to 3000/);
    expect(() => gritLadder({ from: 3000, to: 7000 })).toThrow(/No paper/);
  });

  /** All ways through the papers, counted out. */
  function counted(from: number, to: number): number[][] {
    const after = (grit: number): number[][] => {
      if (grit === to) return [[grit]];
      return [...GRITS.filter((one) => one > grit && one < to), to]
        .filter((one) => one <= 2 * grit)
        .flatMap((one) => after(one).map((rest) => [grit, ...rest]));
    };
    return after(from);
  }

  it('is one of the shortest of all ways, and the evenest of those', () => {
    const uneven = (grits: readonly number[]) => {
      const logs = grits.slice(1).map((grit, i) => Math.log(grit / grits[i]!));
      return logs.reduce((sum, log) => sum + log * log, 0);
    };
    for (const from of [40, 80, 100, 150, 240])
      for (const to of [180, 320, 400, 600]) {
        if (to <= from) continue;
        const all = counted(from, to);
        const shortest = all.filter(({ length }) => length === Math.min(...all.map((one) => one.length)));
        const { grits } = gritLadder({ from, to });
        expect(grits).toHaveLength(shortest[0]!.length);
        expect(uneven(grits)).toBeCloseTo(Math.min(...shortest.map(uneven)), 9);
      }
  });
});

describe('a tint', () => {
  const base: Srgb = [228, 226, 218];
  const ground = srgbToLinear(base).map(absorption) as [number, number, number];
  const truth = { ochre: [0.6, 2.1, 9], black: [11, 11, 10.5], red: [0.8, 6.5, 8] } as const;
  const looks = (amounts: Readonly<Record<string, number>>): Srgb =>
    ground.map((ks, k) =>
      codeOfLinear(
        reflectance(Object.entries(amounts).reduce((sum, [id, amount]) => sum + amount * truth[id as 'ochre'][k]!, ks)),
      ),
    ) as unknown as Srgb;
  const pigments: Pigment[] = Object.keys(truth).map((id) => ({
    id,
    tests: [0.01, 0.04].map((concentration) => ({ concentration, srgb: looks({ [id]: concentration }) })),
  }));

  it('absorbs and reflects as two sides of one law', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.002, max: 1, noNaN: true }), (r) => {
        expect(reflectance(absorption(r))).toBeCloseTo(r, 9);
      }),
    );
    expect(absorption(0)).toBe(absorption(0.002));
  });

  it('finds what a pigment adds from its cards', () => {
    pigments.forEach((pigment) =>
      strengthOf(pigment, ground).forEach((one, k) => expect(one).toBeCloseTo(truth[pigment.id as 'ochre'][k]!, 6)),
    );
  });

  it('comes back to the mixture that a colour was made of', () => {
    const amount = fc.double({ min: 0.004, max: 0.06, noNaN: true });
    fc.assert(
      fc.property(amount, amount, (ochre, black) => {
        const found = tintRecipe({ base, pigments, target: looks({ ochre, black }), maxPigments: 4 });
        expect(found.deltaE00).toBeLessThan(0.1);
        expect(found.reachable).toBe(true);
      }),
      { numRuns: 12 },
    );
    const { recipe } = tintRecipe({ base, pigments, target: looks({ ochre: 0.03, black: 0.01 }), maxPigments: 2 });
    expect(recipe[0]!.concentration).toBeCloseTo(0.03, 3);
    expect(recipe[1]!.concentration).toBeCloseTo(0.01, 3);
    expect(recipe[2]!.concentration).toBe(0);
  });

  it('takes no pigment for the base itself, and no more than it may', () => {
    const none = tintRecipe({ base, pigments, target: base, maxPigments: 4 });
    expect(none.recipe.map(({ concentration }) => concentration)).toEqual([0, 0, 0]);
    const one = tintRecipe({ base, pigments, target: looks({ ochre: 0.03, black: 0.02 }), maxPigments: 1 });
    expect(one.recipe.filter(({ concentration }) => concentration > 0)).toHaveLength(1);
  });

  it('says what cannot be reached, and how far off it stays', () => {
    const target: Srgb = [60, 120, 220];
    const found = tintRecipe({ base, pigments, target, maxPigments: 4 });
    expect(found.reachable).toBe(false);
    expect(found.deltaE00).toBeCloseTo(deltaE00(srgbToLab(found.predicted), srgbToLab(target)), 1);
  });

  it('does not hang on the order of the pigments', () => {
    const target: Srgb = [190, 170, 140];
    const there = tintRecipe({ base, pigments, target, maxPigments: 3 });
    const back = tintRecipe({ base, pigments: [...pigments].reverse(), target, maxPigments: 3 });
    expect(back.deltaE00).toBeCloseTo(there.deltaE00, 1);
  });
});
