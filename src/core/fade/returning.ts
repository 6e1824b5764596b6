import { Matrix, solve } from 'ml-matrix';
import type { Band } from './forecast';

const YEAR_MS = 365.25 * 24 * 3_600_000;
/** Sooner after the end than this a measurement says nothing of what comes back. */
const LEAST_YEARS = 0.08;

/** How fast the yellow comes back, b* a year; `null` as long as no later measurement can say. */
export interface Returning {
  perYear: Band;
  years: number;
  /** Whether the band excludes that nothing came back. */
  certain: boolean;
}

/**
 * The rate at which yellow returns: least squares through the measurement at the end of the treatment and those after
 * it, with the error of a measurement; 5 % to 95 %.
 *
 * @param measured the one at the end of the treatment first
 */
export function yellowReturning(
  measured: readonly { at: string; b: number }[],
  measurementSd: number,
): Returning | null {
  const first = measured[0];
  if (!first) return null;
  const points = measured.map(({ at, b }) => ({ years: (Date.parse(at) - Date.parse(first.at)) / YEAR_MS, b }));
  const years = points[points.length - 1]!.years;
  if (points.length < 2 || years < LEAST_YEARS) return null;
  const [, perYear] = solve(
    new Matrix(points.map((p) => [1, p.years])),
    Matrix.columnVector(points.map(({ b }) => b)),
  ).to1DArray() as [number, number];
  const mean = points.reduce((sum, p) => sum + p.years, 0) / points.length;
  const sd = measurementSd / Math.sqrt(points.reduce((sum, p) => sum + (p.years - mean) ** 2, 0));
  const off = 1.645 * sd;
  return { perYear: { low: perYear - off, median: perYear, high: perYear + off }, years, certain: perYear - off > 0 };
}
