import { Matrix, solve } from 'ml-matrix';
import { NINE_IN_TEN_SD } from '../numbers';
import type { Band } from './fade';

const YEAR_MS = 365.25 * 24 * 3_600_000;
/** Sooner after the end than this a measurement says nothing of what comes back. */
const LEAST_YEARS = 0.08;

/** One look in a hundred is off by more: there are several looks, and each might say it. */
const CERTAIN_SD = 2.326;

/** How fast the yellow comes back, b* a year; `null` as long as no later measurement can say. */
export interface Returning {
  perYear: Band;
  years: number;
  /** Whether it can be said that it comes back: of pieces that stay as they are at most one in twenty is told so, in all its looks. */
  certain: boolean;
}

/**
 * The rate at which yellow returns: least squares through the measurement at the end of the treatment and those after
 * it, each by its own error; 5 % to 95 %.
 *
 * @param measured the one at the end of the treatment first; `sd` one standard deviation of its b*
 */
export function yellowReturning(measured: readonly { at: string; b: number; sd: number }[]): Returning | null {
  const first = measured[0];
  if (!first) return null;
  const points = measured.map(({ at, b, sd }) => ({
    ...{ years: (Date.parse(at) - Date.parse(first.at)) / YEAR_MS, b, weight: 1 / sd },
  }));
  const years = points[points.length - 1]!.years;
  if (points.length < 2 || years < LEAST_YEARS) return null;
  const [, perYear] = solve(
    new Matrix(points.map(({ years: at, weight }) => [weight, weight * at])),
    Matrix.columnVector(points.map(({ b, weight }) => weight * b)),
  ).to1DArray() as [number, number];
  const total = points.reduce((sum, { weight }) => sum + weight ** 2, 0);
  const mean = points.reduce((sum, p) => sum + p.weight ** 2 * p.years, 0) / total;
  const sd = 1 / Math.sqrt(points.reduce((sum, p) => sum + (p.weight * (p.years - mean)) ** 2, 0));
  const off = NINE_IN_TEN_SD * sd;
  return {
    perYear: { low: perYear - off, median: perYear, high: perYear + off },
    years,
    certain: perYear > CERTAIN_SD * sd,
  };
}
