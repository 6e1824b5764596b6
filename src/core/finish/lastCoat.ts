import { assumed } from '../assumptions/assumptions';
import { NINE_IN_TEN_SD } from '../numbers';
import { NO_SHEET, type PaintSheet } from './coat';

/** How a piece is kept after it was done. */
export type Kept = 'light' | 'dark';

/** A piece that was measured again: how fast its yellow came back, and what lay on it. */
export interface YellowLook {
  perYear: number;
  /** One standard deviation of that. */
  sd: number;
  coated: boolean;
  kept: Kept;
}

interface Span {
  low: number;
  median: number;
  high: number;
}

/** What a last coat is good for: the yearly return of yellow of a next piece, b* a year, 5 % to 95 %. */
export interface LastCoatGain {
  without: Span;
  coated: Span;
  /** How much less of it in a year. */
  saved: Span;
  /** Looks that it was learnt from: with such a coat, and without. */
  looks: { coated: number; bare: number };
  /** Chance that the coat is good for anything at all. */
  helps: number;
}

const STEPS = 41;
/** The grid reaches so many spreads to each side. */
const REACH = 3;

const grid = (middle: number, sd: number) =>
  Array.from({ length: STEPS }, (_, i) => {
    const z = -REACH + (2 * REACH * i) / (STEPS - 1);
    return { at: middle + z * sd, weight: Math.exp(-0.5 * z * z) };
  });

/** The places under which so much of weighted numbers lies. */
function spanOf(weighted: { at: number; weight: number }[]): Span {
  const sorted = weighted.sort((a, b) => a.at - b.at);
  const all = sorted.reduce((sum, { weight }) => sum + weight, 0);
  const under = (share: number) => {
    let sum = 0;
    for (const { at, weight } of sorted) {
      sum += weight;
      if (sum >= share * all) return at;
    }
    return sorted.at(-1)!.at;
  };
  return { low: under(0.05), median: under(0.5), high: under(0.95) };
}

/** Pieces to either side of the middle one, by their own spread: places of a normal law with equal weights. */
const PIECES = [-1.65, -1.04, -0.67, -0.39, -0.13, 0.13, 0.39, 0.67, 1.04, 1.65];

/**
 * How fast yellow comes back with and without a last coat that takes ultraviolet: what is usual, put right by the
 * workshop's own looks again. Both laws are taken as logarithmic normal, and each look counts by its own error and by how
 * pieces differ.
 *
 * @param kept where the next piece stands
 */
export function lastCoatGain(looks: readonly YellowLook[], kept: Kept): LastCoatGain {
  const ownSpread = assumed('yellow from piece to piece');
  const dark = assumed('yellow in the dark');
  const rates = grid(Math.log(assumed('yellow coming back')), assumed('yellow coming back, spread'));
  const factors = grid(Math.log(assumed('yellow under a last coat')), assumed('yellow under a last coat, spread'));
  const [without, coated, saved]: { at: number; weight: number }[][] = [[], [], []];
  let [helps, total] = [0, 0];
  for (const rate of rates)
    for (const factor of factors) {
      let weight = rate.weight * factor.weight;
      for (const look of looks) {
        const middle = Math.exp(rate.at + (look.coated ? factor.at : 0)) * (look.kept === 'dark' ? dark : 1);
        const sd = Math.hypot(look.sd, middle * ownSpread);
        weight *= Math.exp(-0.5 * ((look.perYear - middle) / sd) ** 2) / sd;
      }
      const here = Math.exp(rate.at) * (kept === 'dark' ? dark : 1);
      const gain = Math.exp(factor.at);
      for (const z of PIECES) {
        const own = here * Math.exp(z * ownSpread);
        without!.push({ at: own, weight });
        coated!.push({ at: own * gain, weight });
        saved!.push({ at: own * (1 - gain), weight });
      }
      total += weight;
      if (gain < 1) helps += weight;
    }
  return {
    without: spanOf(without!),
    coated: spanOf(coated!),
    saved: spanOf(saved!),
    looks: { coated: looks.filter((look) => look.coated).length, bare: looks.filter((look) => !look.coated).length },
    helps: helps / total,
  };
}

/** The error of a yearly rate by its band of nine in ten. */
export const sdOfBand = ({ low, high }: { low: number; high: number }): number => (high - low) / (2 * NINE_IN_TEN_SD);

/** What goes on last. */
export type LastCoat = 'protectant' | 'wax';

/** How each is laid: so much on a square metre, coats, and hours between and until it is buffed through. */
export const LAST_COAT: Record<LastCoat, { mlPerM2: number; coats: number; betweenH: number; throughH: number }> = {
  protectant: { mlPerM2: 15, coats: 1, betweenH: 0, throughH: 1 },
  wax: { mlPerM2: 8, coats: 2, betweenH: 1, throughH: 12 },
};

/** What a last coat asks where nobody has its sheet: a paint’s caution of days would be no use for it. */
export const lastSheet = (which: LastCoat): PaintSheet => ({
  ...NO_SHEET,
  ...{ touchH: 0.5, soonestH: LAST_COAT[which].betweenH, throughH: LAST_COAT[which].throughH, keyed: false },
});

/** Which of both suits a surface. */
export const lastCoatFor = ({ plastic, finish }: { plastic: string; finish: string }): LastCoat | null =>
  plastic === 'glass' || plastic === 'paper'
    ? null
    : plastic === 'metal' || plastic === 'wood' || finish === 'painted' || finish === 'plated'
      ? 'wax'
      : 'protectant';

/** What neither of them may ever touch. */
export const NEVER_TOUCH = [
  'contacts, contact lands and connectors: neither conducts',
  'screens, windows and labels of paper: both leave a film or a stain',
  'fresh paint and glue: not before they are through',
  'pads, belts and rollers: both make them slip',
] as const;
