import { codeOfLinear, differenceTo, writeLab } from '../colour/bulk';
import { srgbToLab, srgbToLinear } from '../colour/lab';
import type { LinearRgb, Srgb } from '../colour/types';

/** A pigment or paint with what test cards of it in the base looked like, dry. */
export interface Pigment {
  id: string;
  tests: readonly { concentration: number; srgb: Srgb }[];
}

export interface Tint {
  /** The base by itself. */
  base: Srgb;
  pigments: readonly Pigment[];
  target: Srgb;
  maxPigments: number;
}

export interface Recipe {
  /** In the unit of the tests; 0 for those that are left out. */
  recipe: { id: string; concentration: number }[];
  /** sRGB, 0 to 255, to a hundredth. */
  predicted: Srgb;
  deltaE00: number;
  /** Whether nobody can tell the mixture from the target side by side. */
  reachable: boolean;
}

/** Darker than this no paint is taken for: its sum would run away. */
const LEAST_REFLECTANCE = 0.002;
/** Less than this cannot be told apart side by side, ΔE00. */
const CANNOT_BE_TOLD = 1;
/** Recipes nearer to one another than this are one to the eye: the one with the least pigment is taken, ΔE00. */
const SAME_TO_THE_EYE = 0.02;

/** Kubelka and Munk: absorption over scattering of a thick coat, by its reflectance. */
export const absorption = (reflectance: number): number => {
  const r = Math.max(LEAST_REFLECTANCE, Math.min(1, reflectance));
  return (1 - r) ** 2 / (2 * r);
};

/** The reflectance of a thick coat by its absorption over scattering. */
export const reflectance = (ks: number): number => {
  const k = Math.max(0, ks);
  return 1 + k - Math.sqrt(k * k + 2 * k);
};

/** A figure of each linear band: red, green, blue. */
export type Bands = readonly [number, number, number];

/** Absorption over scattering of a colour in each band. */
export const bandsOf = (srgb: Srgb): Bands => srgbToLinear(srgb).map(absorption) as unknown as Bands;

/** What a unit of a pigment adds in each band: least squares through its tests. */
export function strengthOf({ tests }: Pigment, base: Bands): Bands {
  let squares = 0;
  const sums = [0, 0, 0];
  for (const { concentration, srgb } of tests) {
    squares += concentration * concentration;
    bandsOf(srgb).forEach((ks, k) => (sums[k]! += concentration * (ks - base[k]!)));
  }
  return sums.map((sum) => (squares > 0 ? sum / squares : 0)) as unknown as Bands;
}

const mixed = (base: Bands, strengths: readonly Bands[], amounts: readonly number[]): LinearRgb =>
  base.map((ks, k) =>
    reflectance(strengths.reduce((sum, strength, i) => sum + amounts[i]! * strength[k]!, ks)),
  ) as unknown as LinearRgb;

/** Subsets of so many of the first numbers, at most. */
function subsets(of: number, most: number): number[][] {
  let all: number[][] = [[]];
  for (let i = 0; i < of; i++) all = all.concat(all.filter(({ length }) => length < most).map((some) => [...some, i]));
  return all;
}

const STEPS = 220;

/** The least of a function of a few numbers, by the simplex of Nelder and Mead from a start. */
function least(of: (x: readonly number[]) => number, start: readonly number[], size: number): number[] {
  const n = start.length;
  let simplex = [start, ...start.map((_, i) => start.map((x, k) => (k === i ? x + size : x)))].map((x) => ({
    x: [...x],
    value: of(x),
  }));
  for (let step = 0; step < STEPS; step++) {
    simplex = simplex.sort((a, b) => a.value - b.value);
    const worst = simplex[n]!;
    if (worst.value - simplex[0]!.value < 1e-9) break;
    const centre = start.map((_, k) => simplex.slice(0, n).reduce((sum, { x }) => sum + x[k]!, 0) / n);
    const along = (by: number) => {
      const x = centre.map((c, k) => c + by * (worst.x[k]! - c));
      return { x, value: of(x) };
    };
    const reflected = along(-1);
    if (reflected.value < simplex[0]!.value) {
      const further = along(-2);
      simplex[n] = further.value < reflected.value ? further : reflected;
    } else if (reflected.value < simplex[n - 1]!.value) simplex[n] = reflected;
    else {
      const nearer = along(reflected.value < worst.value ? -0.5 : 0.5);
      if (nearer.value < Math.min(worst.value, reflected.value)) simplex[n] = nearer;
      else {
        const best = simplex[0]!.x;
        simplex = simplex.map(({ x }) => {
          const shrunk = x.map((one, k) => (one + best[k]!) / 2);
          return { x: shrunk, value: of(shrunk) };
        });
      }
    }
  }
  return simplex.sort((a, b) => a.value - b.value)[0]!.x;
}

/** Pigments whose strengths are known, in a base whose own absorption is. */
export interface Mixing {
  base: Bands;
  pigments: readonly { id: string; strength: Bands; usual: number }[];
  target: Srgb;
  maxPigments: number;
}

/** What a mixture looks like, sRGB to a hundredth. */
export const looksOf = (linear: LinearRgb): Srgb =>
  linear.map((one) => Math.round(100 * codeOfLinear(one)) / 100) as unknown as Srgb;

/** The colour of known amounts in a base. */
export const mixtureOf = (
  { base, pigments }: Pick<Mixing, 'base' | 'pigments'>,
  amounts: readonly number[],
): LinearRgb =>
  mixed(
    base,
    pigments.map(({ strength }) => strength),
    amounts,
  );

/** The mixture that comes nearest to a colour, and of those that look the same the one with the least pigment. */
export function nearestMixture({ base, pigments, target, maxPigments }: Mixing): Recipe {
  const apart = differenceTo(srgbToLab(target));
  const lab = new Float64Array(3);
  const off = (chosen: readonly number[], amounts: readonly number[]) => {
    const [r, g, b] = mixed(
      base,
      chosen.map((i) => pigments[i]!.strength),
      amounts,
    );
    writeLab(r, g, b, lab, 0);
    return apart(lab[0]!, lab[1]!, lab[2]!);
  };
  let best: { chosen: number[]; amounts: number[]; off: number; sum: number } | null = null;
  for (const chosen of subsets(pigments.length, Math.min(maxPigments, pigments.length))) {
    // Squares keep an amount from falling below nothing.
    const amountsOf = (x: readonly number[]) => x.map((one, k) => pigments[chosen[k]!]!.usual * one * one);
    const value = (x: readonly number[]) => off(chosen, amountsOf(x));
    const starts = chosen.length === 0 ? [[]] : [0.25, 0.9].map((at) => chosen.map(() => at));
    for (const start of starts) {
      const first = chosen.length === 0 ? [] : least(value, start, 0.3);
      const x = chosen.length === 0 ? first : least(value, first, 0.05);
      const amounts = amountsOf(x);
      const sum = amounts.reduce((all, one) => all + one, 0);
      const found = { chosen, amounts, off: off(chosen, amounts), sum };
      const nearer = !best || found.off < best.off - SAME_TO_THE_EYE;
      if (nearer || (found.off < best!.off + SAME_TO_THE_EYE && found.sum < best!.sum - 1e-9)) best = found;
    }
  }
  const { chosen, amounts } = best!;
  const all = pigments.map((_, i) => amounts[chosen.indexOf(i)] ?? 0);
  return {
    recipe: pigments.map(({ id }, i) => ({ id, concentration: all[i]! })),
    predicted: looksOf(mixtureOf({ base, pigments }, all)),
    deltaE00: best!.off,
    reachable: best!.off < CANNOT_BE_TOLD,
  };
}

/**
 * The mixture of a few pigments in a base that comes nearest to a colour: single-constant Kubelka and Munk in each linear
 * band, the least ΔE00 over all choices of pigments, and of those that look the same the least pigment.
 */
export function tintRecipe({ base, pigments, target, maxPigments }: Tint): Recipe {
  const ground = bandsOf(base);
  return nearestMixture({
    base: ground,
    pigments: pigments.map((pigment) => ({
      id: pigment.id,
      strength: strengthOf(pigment, ground),
      usual: Math.max(1e-6, ...pigment.tests.map(({ concentration }) => concentration)),
    })),
    target,
    maxPigments,
  });
}
