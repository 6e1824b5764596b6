import { assumed } from '../assumptions/assumptions';
import type { ForecastInput } from './fade';
import { ratePosterior } from './forecast';

/** A past piece of the same school and plastic: what its own sessions say of its rate. */
export type PastPiece = Pick<ForecastInput, 'startB' | 'targetB' | 'sessions' | 'measurementSd'>;

/** What the sessions of one piece say of its rate: mean and variance of ln k. */
export interface RateWord {
  mean: number;
  variance: number;
}

export interface Pooled {
  prior: ForecastInput['prior'];
  /** Past pieces that say something. */
  pieces: number;
  /** The starting guess that it began from. */
  before: ForecastInput['prior'];
}

/** So wide a prior leaves a piece's own sessions to speak alone. */
const WIDE_LOG_SD = 2.5;
/** Less than this narrower than the wide prior, and a piece has said nothing. */
const SILENT_SHARE = 0.8;
const GRID = 41;
const REACH_SD = 4;

/** Mean and variance of ln k that a piece's own sessions leave, the wide prior divided out; `null` where they say nothing. */
export function rateWord(piece: PastPiece, medianRate: number): RateWord | null {
  const { rates, weights } = ratePosterior({ ...piece, toleranceB: 1, prior: { medianRate, logSd: WIDE_LOG_SD } });
  let [mean, square] = [0, 0];
  rates.forEach((rate, i) => {
    const log = Math.log(rate);
    mean += weights[i]! * log;
    square += weights[i]! * log * log;
  });
  const variance = Math.max(1e-6, square - mean * mean);
  const wide = WIDE_LOG_SD ** 2;
  if (variance > SILENT_SHARE * wide) return null;
  // Two Gaussians multiplied: precisions add, so the prior's is taken away again.
  const precision = 1 / variance - 1 / wide;
  return { mean: (mean / variance - Math.log(medianRate) / wide) / precision, variance: 1 / precision };
}

/**
 * What is to be expected of a new piece, from the workshop's past ones: partial pooling. Each past piece has its own
 * rate, ln k ~ N(μ, τ²); the workshop's μ lies about the starting guess, the spread τ is learnt as well. Few or silent
 * pieces move the guess little; many that agree take over. The posterior of (μ, τ) is summed on a grid, and what it
 * expects of the next piece is given back as a log-normal of the same mean and variance.
 *
 * Hierarchical normal model: Gelman et al., Bayesian Data Analysis, chapter 5.
 *
 * @param words of pieces of the same school and, where there are enough, the same plastic
 * @param guess starting guess of the school
 */
export function pooledPrior(words: readonly RateWord[], guess: ForecastInput['prior']): Pooled {
  if (words.length === 0) return { prior: guess, pieces: 0, before: guess };
  const centre = Math.log(guess.medianRate);
  let [total, mean, square] = [0, 0, 0];
  const grid: { mu: number; tau: number; log: number }[] = [];
  const [workshops, pieces] = [assumed('spread of workshops'), assumed('spread of pieces')];
  for (let j = 1; j <= GRID; j++) {
    const tau = (3 * pieces * j) / GRID;
    // What all words say of a usual rate is a parabola in it: its three sums are the same for the whole row.
    let [logs, squares, slopes, precisions] = [0, 0, 0, 0];
    for (const word of words) {
      const variance = word.variance + tau * tau;
      const away = word.mean - centre;
      logs += Math.log(variance);
      squares += (away * away) / variance;
      slopes += away / variance;
      precisions += 1 / variance;
    }
    for (let i = 0; i < GRID; i++) {
      const z = REACH_SD * ((2 * i) / (GRID - 1) - 1);
      const off = z * workshops;
      const misfit = squares - 2 * off * slopes + off * off * precisions;
      grid.push({ mu: centre + off, tau, log: -0.5 * (z * z + (tau / pieces) ** 2 + logs + misfit) });
    }
  }
  const highest = grid.reduce((most, { log }) => Math.max(most, log), -Infinity);
  for (const { mu, tau, log } of grid) {
    const weight = Math.exp(log - highest);
    total += weight;
    mean += weight * mu;
    square += weight * (mu * mu + tau * tau);
  }
  mean /= total;
  return {
    prior: { medianRate: Math.exp(mean), logSd: Math.sqrt(square / total - mean * mean) },
    pieces: words.length,
    before: guess,
  };
}
