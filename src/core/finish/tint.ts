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

const bands = (srgb: Srgb): [number, number, number] => srgbToLinear(srgb).map(absorption) as [number, number, number];

type Bands = readonly [number, number, number];

/** What a unit of a pigment adds in each band: least squares through its tests. */
export function strengthOf({ tests }: Pigment, base: Bands): Bands {
  let squares = 0;
  const sums = [0, 0, 0];
  for (const { concentration, srgb } of tests) {
    squares += concentration * concentration;
    bands(srgb).forEach((ks, k) => (sums[k]! += concentration * (ks - base[k]!)));
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

/**
 * The mixture of a few pigments in a base that comes nearest to a colour: single-constant Kubelka and Munk in each linear
 * band, the least ΔE00 over all choices of pigments, and of those that look the same the least pigment.
 */
export function tintRecipe({ base, pigments, target, maxPigments }: Tint): Recipe {
  const ground = bands(base);
  const strengths = pigments.map((pigment) => strengthOf(pigment, ground));
  const apart = differenceTo(srgbToLab(target));
  const lab = new Float64Array(3);
  const off = (chosen: readonly number[], amounts: readonly number[]) => {
    const [r, g, b] = mixed(
      ground,
      chosen.map((i) => strengths[i]!),
      amounts,
    );
    writeLab(r, g, b, lab, 0);
    return apart(lab[0]!, lab[1]!, lab[2]!);
  };
  const usual = pigments.map(({ tests }) => Math.max(1e-6, ...tests.map(({ concentration }) => concentration)));
  let best: { chosen: number[]; amounts: number[]; off: number; sum: number } | null = null;
  for (const chosen of subsets(pigments.length, Math.min(maxPigments, pigments.length))) {
    // Squares keep an amount from falling below nothing.
    const amountsOf = (x: readonly number[]) => x.map((one, k) => usual[chosen[k]!]! * one * one);
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
  const linear = mixed(
    ground,
    chosen.map((i) => strengths[i]!),
    amounts,
  );
  return {
    recipe: pigments.map(({ id }, i) => ({ id, concentration: amounts[chosen.indexOf(i)] ?? 0 })),
    predicted: linear.map((one) => Math.round(100 * codeOfLinear(one)) / 100) as unknown as Srgb,
    deltaE00: best!.off,
    reachable: best!.off < CANNOT_BE_TOLD,
  };
}
