import { Matrix, solve } from 'ml-matrix';
import { assumed } from '../assumptions/assumptions';
import { deltaE00 } from '../colour/difference';
import { linearToLab, srgbToLab, srgbToLinear } from '../colour/lab';
import type { LinearRgb, Srgb } from '../colour/types';
import { median } from '../numbers';
import { Refusal } from '../refusal';
import { absorption, bandsOf, looksOf, mixtureOf, nearestMixture, reflectance, type Bands, type Recipe } from './tint';

/** A drop of a mixture that was let set (or dry) and photographed beside the card. */
export interface TestDrop {
  /** Of each pigment in so much base; those that are not in it may be left out. */
  amounts: Readonly<Record<string, number>>;
  srgb: Srgb;
  /** What is to be matched, as the same picture shows it beside the drop: what that light did to both is taken out. */
  beside?: Srgb | undefined;
}

/** Darker than this a band says nothing of the light. */
const DARK = 0.004;

export interface DropMixing {
  drops: readonly TestDrop[];
  target: Srgb;
  maxPigments: number;
}

export interface DropRecipe extends Recipe {
  /** The drop that comes nearest to the target so far, by its place in the list, and how near. */
  nearest: { index: number; deltaE00: number };
  /** Nine mixtures in ten come within so much of the target, ΔE00. */
  mayBeOff: number;
  /** What each drop was expected to look like by all of them, as a check. */
  expected: Srgb[];
}

/** What is to be matched, by all pictures that show it beside a drop; `undefined` where none does. */
export function targetOf(drops: readonly Pick<TestDrop, 'beside'>[]): Srgb | undefined {
  const seen = drops.flatMap(({ beside }) => (beside ? [srgbToLinear(beside)] : []));
  if (seen.length === 0) return undefined;
  return looksOf([0, 1, 2].map((k) => median(seen.map((one) => one[k as 0 | 1 | 2]))!) as unknown as LinearRgb);
}

/** A drop as it would look in the light in which the target was read. */
function inOneLight({ srgb, beside }: TestDrop, target: Srgb): LinearRgb {
  const [drop, aim] = [srgbToLinear(srgb), srgbToLinear(target)];
  if (!beside) return drop;
  const seen = srgbToLinear(beside);
  return drop.map((v, k) =>
    Math.min(1, (v * Math.max(DARK, aim[k]!)) / Math.max(DARK, seen[k]!)),
  ) as unknown as LinearRgb;
}

/** Drops with what each picture's light did to them taken out, as they would look beside the target. */
export const toOneLight = (drops: readonly TestDrop[], target: Srgb): TestDrop[] =>
  drops.map((drop) => ({ amounts: drop.amounts, srgb: looksOf(inOneLight(drop, target)) }));

/** Two paints nearer than this are one, ΔE00. */
const ONE_PAINT = 1;

/**
 * Paints or pigments that are one to the eye: as much of either in the base looks the same, so that nothing is won by both.
 *
 * @returns pairs of their names
 */
export function oneAndTheSame(drops: readonly TestDrop[]): [string, string][] {
  const alone = drops.flatMap(({ amounts, srgb }) => {
    const inside = Object.entries(amounts).filter(([, amount]) => amount > 0);
    return inside.length === 1 ? [{ id: inside[0]![0], amount: inside[0]![1], lab: srgbToLab(srgb) }] : [];
  });
  return alone.flatMap((one, i) =>
    alone
      .slice(i + 1)
      .filter((other) => other.id !== one.id && other.amount === one.amount && deltaE00(one.lab, other.lab) < ONE_PAINT)
      .map((other): [string, string] => [one.id, other.id]),
  );
}

/** Errors of K/S of a drop: its colour is read so well, and the model holds the better the nearer it lies to the target. */
function errorOf(ks: number, targetKs: number): number {
  const r = reflectance(ks);
  // How much K/S changes with reflectance: (1 − R²)/(2R²).
  const steep = (1 - r * r) / (2 * r * r);
  const read = steep * assumed('reading of a drop') * r;
  const model = assumed('mixing by a single constant') * (ks - targetKs);
  return Math.hypot(read, model, 1e-5);
}

/** Base and pigments of a band by all drops at once: least squares, those near the target counting most. */
function fitBand(drops: readonly TestDrop[], ids: readonly string[], ks: readonly number[], target: number): number[] {
  const rows = drops.map(({ amounts }, j) => {
    const weight = 1 / errorOf(ks[j]!, target);
    return { weight, row: [1, ...ids.map((id) => amounts[id] ?? 0)] };
  });
  // Amounts are brought to one size, so that no pigment is drowned by its unit.
  const sizes = [1, ...ids.map((id) => Math.max(1e-9, ...drops.map(({ amounts }) => amounts[id] ?? 0)))];
  const left = new Matrix(rows.map(({ weight, row }) => row.map((v, i) => (weight * v) / sizes[i]!)));
  const right = Matrix.columnVector(rows.map(({ weight }, j) => weight * ks[j]!));
  return solve(left, right, true)
    .to1DArray()
    .map((v, i) => v / sizes[i]!);
}

/**
 * The mixture that comes nearest to a colour by all test drops so far: each further drop near the target puts the next
 * recipe right. Single-constant Kubelka and Munk in each linear band.
 *
 * @throws Refusal without a drop of the base alone, or without one that holds a pigment
 */
export function recipeByDrops({ drops, target, maxPigments }: DropMixing): DropRecipe {
  const has = ({ amounts }: TestDrop) => Object.values(amounts).some((amount) => amount > 0);
  if (drops.every(has))
    throw new Refusal('drops', 'A drop of the base alone is needed first, and one with each pigment.');
  if (!drops.some(has))
    throw new Refusal('drops', 'A drop with each pigment is needed, beside the one of the base alone.');
  const ids = [...new Set(drops.flatMap(({ amounts }) => Object.keys(amounts).filter((id) => amounts[id]! > 0)))];
  const seen = drops.map((drop) => inOneLight(drop, target));
  const looks = seen.map((linear) => linear.map(absorption));
  const aim = bandsOf(target);
  const fits = [0, 1, 2].map((k) =>
    fitBand(
      drops,
      ids,
      looks.map((bands) => bands[k]!),
      aim[k]!,
    ),
  );
  const of = (i: number) => fits.map((fit) => fit[i]!) as unknown as Bands;
  const base = of(0);
  const pigments = ids.map((id, i) => ({
    id,
    strength: of(i + 1),
    usual: Math.max(...drops.map(({ amounts }) => amounts[id] ?? 0)),
  }));
  const recipe = nearestMixture({ base, pigments, target, maxPigments });
  const apart = seen.map((linear) => deltaE00(linearToLab(linear), srgbToLab(target)));
  const index = apart.indexOf(Math.min(...apart));
  return {
    ...recipe,
    nearest: { index, deltaE00: apart[index]! },
    mayBeOff:
      recipe.deltaE00 + Math.hypot(assumed('a mixture at best'), assumed('a mixture by a far drop') * apart[index]!),
    expected: drops.map(({ amounts }) =>
      looksOf(
        mixtureOf(
          { base, pigments },
          ids.map((id) => amounts[id] ?? 0),
        ),
      ),
    ),
  };
}
