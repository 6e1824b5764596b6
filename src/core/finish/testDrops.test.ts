import fc from 'fast-check';
import { deltaE00 } from '../colour/difference';
import { linearToLab, srgbToLab } from '../colour/lab';
import { codeOfLinear } from '../colour/bulk';
import type { LinearRgb, Srgb } from '../colour/types';
import { dosed, somePigments, trueMixture } from '@/simulators/pigments';
import { seededRandom } from '@/simulators/camera/random';
import { recipeByDrops, targetOf, type TestDrop } from './testDrops';

const codes = (linear: LinearRgb): Srgb => linear.map(codeOfLinear) as unknown as Srgb;
const SET = somePigments(7);
const dropOf = (amounts: Record<string, number>): TestDrop => ({ amounts, srgb: codes(trueMixture(SET, amounts)) });
const SINGLES = [{}, ...SET.pigments.map(({ id }) => ({ [id]: id === 'black' ? 0.1 : 0.2 }))].map(dropOf);
const WANTED = { ochre: 0.25, 'red-brown': 0.05, black: 0.06 };

/** The true distance of what a recipe makes. */
const missed = (target: LinearRgb, recipe: readonly { id: string; concentration: number }[]) =>
  deltaE00(
    linearToLab(trueMixture(SET, Object.fromEntries(recipe.map(({ id, concentration }) => [id, concentration])))),
    linearToLab(target),
  );

it('each drop of the last mixture puts the next right', () => {
  const truth = trueMixture(SET, WANTED);
  const drops = [...SINGLES];
  const off: number[] = [];
  for (let k = 0; k < 3; k++) {
    const { recipe } = recipeByDrops({ drops, target: codes(truth), maxPigments: 4 });
    off.push(missed(truth, recipe));
    drops.push(dropOf(Object.fromEntries(recipe.map(({ id, concentration }) => [id, concentration]))));
  }
  expect(off[0]).toBeGreaterThan(0.5);
  expect(off[1]).toBeLessThan(0.5);
  expect(off[2]).toBeLessThan(0.5);
});

it('what a light did to drop and plastic alike is taken out', () => {
  const truth = trueMixture(SET, WANTED);
  const warm = (linear: LinearRgb): Srgb => codes([1.08 * linear[0], linear[1], 0.86 * linear[2]]);
  const nearly = trueMixture(SET, { ...WANTED, ochre: 0.2 });
  const plain = { amounts: { ...WANTED, ochre: 0.2 }, srgb: codes(nearly) };
  const lit = { ...plain, srgb: warm(nearly), beside: warm(truth) };
  const by = (drop: TestDrop) => recipeByDrops({ drops: [...SINGLES, drop], target: codes(truth), maxPigments: 4 });
  const [one, other] = [by(plain), by(lit)];
  expect(other.nearest.index).toBe(SINGLES.length);
  expect(other.nearest.deltaE00).toBeCloseTo(one.nearest.deltaE00, 3);
  expect(other.recipe.map(({ concentration }) => concentration.toFixed(3))).toEqual(
    one.recipe.map(({ concentration }) => concentration.toFixed(3)),
  );
});

it('is sure only as far as its nearest drop lies', () => {
  const target = codes(trueMixture(SET, WANTED));
  const far = recipeByDrops({ drops: SINGLES, target, maxPigments: 4 });
  const near = recipeByDrops({ drops: [...SINGLES, dropOf(WANTED)], target, maxPigments: 4 });
  expect(near.mayBeOff).toBeLessThan(far.mayBeOff);
  expect(near.nearest).toEqual({ index: SINGLES.length, deltaE00: expect.closeTo(0, 1) as number });
  // The drop that was it is expected as it was.
  expect(deltaE00(srgbToLab(near.expected.at(-1)!), srgbToLab(target))).toBeLessThan(0.2);
});

it('goes by nothing but the drops: their order and the unit of their amounts do not matter', () => {
  const target = codes(trueMixture(SET, WANTED));
  const [straight] = [recipeByDrops({ drops: SINGLES, target, maxPigments: 3 })];
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 60, noNaN: true }), (unit) => {
      const scaled = [...SINGLES].reverse().map(({ amounts, srgb }) => ({
        srgb,
        amounts: Object.fromEntries(Object.entries(amounts).map(([id, amount]) => [id, unit * amount])),
      }));
      const found = recipeByDrops({ drops: scaled, target, maxPigments: 3 });
      expect(found.deltaE00).toBeCloseTo(straight.deltaE00, 1);
      for (const { id, concentration } of straight.recipe)
        expect(found.recipe.find((one) => one.id === id)!.concentration / unit).toBeCloseTo(concentration, 1);
    }),
    { numRuns: 6 },
  );
});

it('says what is missing, and which colour no pigment reaches', () => {
  const target: Srgb = [200, 190, 170];
  expect(() => recipeByDrops({ drops: SINGLES.slice(1), target, maxPigments: 4 })).toThrow(/base alone is needed/);
  expect(() => recipeByDrops({ drops: SINGLES.slice(0, 1), target, maxPigments: 4 })).toThrow(/with each pigment/);
  const green = recipeByDrops({ drops: SINGLES.slice(0, 3), target: [60, 200, 120], maxPigments: 4 });
  expect(green.reachable).toBe(false);
  expect(green.deltaE00).toBeGreaterThan(5);
  expect(targetOf(SINGLES)).toBeUndefined();
  expect(targetOf([{ beside: target }, { beside: target }, {}])!.map(Math.round)).toEqual(target);
});

it('the simulated hand doses with an error that is none at nothing', () => {
  expect(dosed({ ochre: 0.2, black: 0 }, 0, seededRandom(1))).toEqual({ ochre: 0.2, black: 0 });
  const amounts = Array.from({ length: 400 }, (_, i) => dosed({ ochre: 1 }, 0.05, seededRandom(i)).ochre!);
  const mean = amounts.reduce((sum, one) => sum + one, 0) / amounts.length;
  expect(mean).toBeCloseTo(1, 1);
  expect(Math.sqrt(amounts.reduce((sum, one) => sum + (one - mean) ** 2, 0) / amounts.length)).toBeCloseTo(0.05, 2);
});
