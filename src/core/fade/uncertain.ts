import { LRUCache } from 'lru-cache';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { nameOf, yellowAfter, type Band, type FadeErrors, type ForecastInput } from './fade';

/**
 * The fade with everything that is not known exactly: rate, start, target and each dose. On a grid of ln k the rest is
 * nearly Gaussian, so that for each rate its likeliest values follow by Gauss and Newton and their spread by Laplace;
 * what is asked for is read off points spread evenly over all of it.
 */

type UncertainInput = ForecastInput & FadeErrors;

const COARSE = 19;
const FINE = 41;
const REACH_SD = 4.5;
/** Log of how much less likely than the likeliest is left out. */
const NEGLIGIBLE = 14;
const STEPS = 6;
const POINTS = 48;

/** Doses given between one measurement and the next: their sum, and the sum of their squares. */
interface Stretch {
  dose: number;
  squares: number;
  measuredB: number | null;
}

/** Sessions up to each measurement together; what was not measured at the end is a stretch of its own. */
function stretchesOf(sessions: ForecastInput['sessions']): Stretch[] {
  const stretches: Stretch[] = [];
  let open: Stretch = { dose: 0, squares: 0, measuredB: null };
  for (const { dose, measuredB } of sessions) {
    open = { dose: open.dose + dose, squares: open.squares + dose * dose, measuredB };
    if (measuredB === null) continue;
    stretches.push(open);
    open = { dose: 0, squares: 0, measuredB: null };
  }
  return open.dose > 0 ? [...stretches, open] : stretches;
}

/** What is left to know once the rate is given: start, target, and how far each stretch was off, as a share of its dose. */
interface Conditional {
  logWeight: number;
  mean: number[];
  covariance: Matrix;
}

function conditionalOn(rate: number, input: UncertainInput, stretches: readonly Stretch[]): Conditional {
  const { startB, targetB, startSd, targetSd, doseSdShare, measurementSd } = input;
  const size = 2 + stretches.length;
  const prior = [startB, targetB, ...stretches.map(() => 0)];
  // What is known exactly still takes a little room, so that every matrix can be inverted.
  const variances = [
    Math.max(1e-4, startSd) ** 2,
    Math.max(1e-4, targetSd) ** 2,
    ...stretches.map(({ dose, squares }) =>
      dose > 0 ? Math.max(1e-8, (doseSdShare ** 2 * squares) / dose ** 2) : 1e-8,
    ),
  ];
  const measured = stretches.flatMap(({ measuredB }, i) => (measuredB === null ? [] : [{ i, b: measuredB }]));
  const x = [...prior];
  let precision = new Matrix(size, size);
  let misses: number[] = [];
  for (let step = 0; step < STEPS; step++) {
    const [start, target] = x as [number, number];
    precision = Matrix.diag(variances.map((variance) => 1 / variance));
    const slope = x.map((value, i) => (prior[i]! - value) / variances[i]!);
    misses = measured.map(({ i, b }) => {
      let done = 0;
      for (let j = 0; j <= i; j++) done += stretches[j]!.dose * (1 + x[2 + j]!);
      const left = Math.exp(-rate * done);
      const row = Array.from({ length: size }, (_, j) =>
        j === 0 ? left : j === 1 ? 1 - left : j - 2 <= i ? -rate * stretches[j - 2]!.dose * (start - target) * left : 0,
      );
      const miss = b - (target + (start - target) * left);
      for (let p = 0; p < size; p++) {
        slope[p]! += (row[p]! * miss) / measurementSd ** 2;
        for (let q = 0; q < size; q++)
          precision.set(p, q, precision.get(p, q) + (row[p]! * row[q]!) / measurementSd ** 2);
      }
      return miss;
    });
    const move = new CholeskyDecomposition(precision).solve(Matrix.columnVector(slope)).to1DArray();
    move.forEach((by, i) => (x[i]! += by));
    if (Math.max(...move.map((by, i) => Math.abs(by) / Math.sqrt(variances[i]!))) < 1e-3) break;
  }
  const cholesky = new CholeskyDecomposition(precision);
  const logDet = 2 * cholesky.lowerTriangularMatrix.diagonal().reduce((sum, value) => sum + Math.log(value), 0);
  const off = x.reduce((sum, value, i) => sum + (value - prior[i]!) ** 2 / variances[i]!, 0);
  const fit = misses.reduce((sum, miss) => sum + (miss / measurementSd) ** 2, 0);
  return { logWeight: -0.5 * (off + fit + logDet), mean: x, covariance: cholesky.solve(Matrix.eye(size, size)) };
}

/** Rounding leaves the two halves a hair apart. */
const symmetric = (matrix: Matrix): Matrix => Matrix.add(matrix, matrix.transpose()).mul(0.5);

/** The i-th point of the Halton row of a base, strictly between 0 and 1. */
function halton(index: number, base: number): number {
  let [share, value] = [1 / base, 0];
  for (let i = index; i > 0; i = Math.floor(i / base)) {
    value += (i % base) * share;
    share /= base;
  }
  return value;
}

/** Inverse of the normal distribution, within 1.2e-9 of it: Acklam’s rational approximation. */
export function normalQuantile(p: number): number {
  const tail = (q: number) =>
    (((((-7.784894002430293e-3 * q - 0.3223964580411365) * q - 2.400758277161838) * q - 2.549732539343734) * q +
      4.374664141464968) *
      q +
      2.938163982698783) /
    ((((7.784695709041462e-3 * q + 0.3224671290700398) * q + 2.445134137142996) * q + 3.754408661907416) * q + 1);
  if (p < 0.02425) return tail(Math.sqrt(-2 * Math.log(p)));
  if (p > 1 - 0.02425) return -tail(Math.sqrt(-2 * Math.log(1 - p)));
  const q = p - 0.5;
  const r = q * q;
  return (
    ((((((-39.69683028665376 * r + 220.9460984245205) * r - 275.9285104469687) * r + 138.357751867269) * r -
      30.66479806614716) *
      r +
      2.506628277459239) *
      q) /
    (((((-54.47609879822406 * r + 161.5858368580409) * r - 155.6989798598866) * r + 66.80131188771972) * r -
      13.28068155288572) *
      r +
      1)
  );
}

/** Normal points of each base, the same for every forecast: worked out once. */
const NORMALS = new Map<number, Float64Array>();
function normalAt(index: number, base: number): number {
  let row = NORMALS.get(base);
  if (!row) {
    row = Float64Array.from({ length: FINE * POINTS + 1 }, (_, i) => (i === 0 ? 0 : normalQuantile(halton(i, base))));
    NORMALS.set(base, row);
  }
  return row[index]!;
}

/** One thing that may be so, with how likely it is. */
export interface Sample {
  weight: number;
  rate: number;
  start: number;
  target: number;
  /** True dose so far. */
  done: number;
  /** True next dose as a share of the planned one. */
  next: number;
  /** Error of the next measurement. */
  read: number;
}

/** Where the rate may be, in standard deviations of its prior: looked for coarsely first, then evenly over what is left. */
function gridOf(input: UncertainInput, stretches: readonly Stretch[]) {
  const at = (z: number) => {
    const rate = input.prior.medianRate * Math.exp(z * input.prior.logSd);
    const found = conditionalOn(rate, input, stretches);
    return { z, rate, ...found, logWeight: found.logWeight - 0.5 * z * z };
  };
  const evenly = (from: number, to: number, count: number) =>
    Array.from({ length: count }, (_, i) => at(from + ((to - from) * i) / (count - 1)));
  const coarse = evenly(-REACH_SD, REACH_SD, COARSE);
  const most = Math.max(...coarse.map(({ logWeight }) => logWeight));
  const likely = coarse.filter(({ logWeight }) => logWeight > most - NEGLIGIBLE).map(({ z }) => z);
  const step = (2 * REACH_SD) / (COARSE - 1);
  const [from, to] = [likely[0]! - step, likely[likely.length - 1]! + step];
  return { grid: evenly(from, to, FINE), cell: (to - from) / (FINE - 1) };
}

/** A forecast, its curve and the advice read the same samples; some two thousand each, so that only a few are kept. */
const SAMPLES = new LRUCache<string, readonly Sample[], ForecastInput>({
  max: 24,
  memoMethod: (_name, _stale, { context }) => samplesOf(context),
});

/** Ways that it may stand with a piece, each with its weight: as likely together as its readings make them. */
export const fadeSamples = (input: ForecastInput): readonly Sample[] =>
  // The next dose is none of what is known.
  SAMPLES.memo(nameOf({ ...input, nextDose: undefined }), { context: input });

function samplesOf(given: ForecastInput): Sample[] {
  const input = { startSd: 0, targetSd: 0, doseSdShare: 0, ...given };
  const stretches = stretchesOf(input.sessions);
  const { prior, measurementSd, doseSdShare } = input;
  const { grid, cell } = gridOf(input, stretches);
  const highest = grid.reduce((most, { logWeight }) => Math.max(most, logWeight), -Infinity);
  const samples: Sample[] = [];
  grid.forEach(({ rate, logWeight, mean, covariance }, g) => {
    const weight = Math.exp(logWeight - highest);
    if (weight < 1e-7) return;
    // Start, target and the dose so far, out of everything that is not known.
    const map = new Matrix([
      [1, 0, ...stretches.map(() => 0)],
      [0, 1, ...stretches.map(() => 0)],
      [0, 0, ...stretches.map(({ dose }) => dose)],
    ]);
    const spread = new CholeskyDecomposition(
      symmetric(map.mmul(covariance).mmul(map.transpose())).add(Matrix.diag([1e-12, 1e-12, 1e-12])),
    ).lowerTriangularMatrix;
    const dose = stretches.reduce((sum, stretch, i) => sum + stretch.dose * (1 + mean[2 + i]!), 0);
    for (let i = 0; i < POINTS; i++) {
      const at = 1 + g * POINTS + i;
      const [u, v, w] = [normalAt(at, 2), normalAt(at, 3), normalAt(at, 5)];
      samples.push({
        weight,
        rate: rate * Math.exp((halton(at, 13) - 0.5) * cell * prior.logSd),
        start: mean[0]! + spread.get(0, 0) * u,
        target: mean[1]! + spread.get(1, 0) * u + spread.get(1, 1) * v,
        done: dose + spread.get(2, 0) * u + spread.get(2, 1) * v + spread.get(2, 2) * w,
        next: Math.max(0, 1 + doseSdShare * normalAt(at, 7)),
        read: measurementSd * normalAt(at, 11),
      });
    }
  });
  return samples;
}

/** True b* of a sample after so much more dose. */
export const bAfter = ({ rate, start, target, done }: Sample, more: number) =>
  yellowAfter(start, target, rate, done + more);

/** Values lie in so many drawers between the least and the greatest; only the drawer that a quantile is in is put in order. */
const DRAWERS = 256;

/** The 5, 50 and 95 % quantiles of what each sample comes to. Plain loops: a page draws a hundred of them. */
export function bandOf(samples: readonly Sample[], of: (sample: Sample) => number): Band {
  const count = samples.length;
  const values = new Float64Array(count);
  let [least, most, total] = [Infinity, -Infinity, 0];
  for (let i = 0; i < count; i++) {
    const value = of(samples[i]!);
    values[i] = value;
    if (value < least) least = value;
    if (value > most) most = value;
    total += samples[i]!.weight;
  }
  // Values a hair apart all lie in the first.
  const drawersPerUnit = DRAWERS / (most - least);
  const scale = Number.isFinite(drawersPerUnit) ? drawersPerUnit : 0;
  const drawers = new Uint16Array(count);
  const inDrawer = new Float64Array(DRAWERS);
  for (let i = 0; i < count; i++) {
    const drawer = Math.min(DRAWERS - 1, Math.floor((values[i]! - least) * scale));
    drawers[i] = drawer;
    inDrawer[drawer]! += samples[i]!.weight;
  }
  const at = (p: number) => {
    let [below, drawer] = [0, 0];
    while (drawer < DRAWERS - 1 && below + inDrawer[drawer]! < p * total) below += inDrawer[drawer++]!;
    const within: number[] = [];
    for (let i = 0; i < count; i++) if (drawers[i] === drawer) within.push(i);
    within.sort((a, b) => values[a]! - values[b]!);
    for (const i of within) if ((below += samples[i]!.weight) >= p * total) return values[i]!;
    return values[within[within.length - 1]!]!;
  };
  return { low: at(0.05), median: at(0.5), high: at(0.95) };
}
