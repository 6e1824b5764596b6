import { Refusal } from '../refusal';

export interface Band {
  /** 5 % quantile. */
  low: number;
  /** 50 % quantile. */
  median: number;
  /** 95 % quantile. */
  high: number;
}

export interface ExposedSession {
  /** Dose of this session alone, UVI·h (or hours at 25 °C). */
  dose: number;
  /** b* measured after it; `null` when nobody measured. */
  measuredB: number | null;
}

export interface ForecastInput {
  startB: number;
  targetB: number;
  /** Stop when b* is within this of the target. */
  toleranceB: number;
  sessions: readonly ExposedSession[];
  /** Log-normal prior of the rate k. */
  prior: { medianRate: number; logSd: number };
  /** Standard deviation of one measured b*. */
  measurementSd: number;
}

export interface Forecast {
  /** Rate k per unit of dose. */
  rate: Band;
  /** b* expected now, after all sessions. */
  currentB: number;
  currentBand: Band;
  doseToGo: Band;
  /** Set when the measurements do not fit the model: what does not fit, in words. */
  doubt: string | null;
}

const GRID = 2001;
const REACH_SD = 6;

/** b* after a dose: target + (start − target)·exp(−k·D). */
export function yellowAfter(startB: number, targetB: number, rate: number, dose: number): number {
  return targetB + (startB - targetB) * Math.exp(-rate * dose);
}

/** The posterior of ln k on an even grid: weights sum to 1. */
export interface RatePosterior {
  rates: Float64Array;
  weights: Float64Array;
}

/**
 * Posterior of the rate: log-normal prior times Gaussian likelihood of each measured b*, on a fine grid of ln k.
 */
export function ratePosterior(input: ForecastInput): RatePosterior {
  const { startB, targetB, sessions, prior, measurementSd } = input;
  const rates = new Float64Array(GRID);
  const logs = new Float64Array(GRID);
  const doses = cumulativeDoses(sessions);
  let highest = -Infinity;
  for (let i = 0; i < GRID; i++) {
    const z = REACH_SD * ((2 * i) / (GRID - 1) - 1);
    const rate = prior.medianRate * Math.exp(z * prior.logSd);
    let log = -0.5 * z * z;
    for (let s = 0; s < sessions.length; s++) {
      const measured = sessions[s]!.measuredB;
      if (measured === null) continue;
      const miss = (measured - yellowAfter(startB, targetB, rate, doses[s]!)) / measurementSd;
      log -= 0.5 * miss * miss;
    }
    rates[i] = rate;
    logs[i] = log;
    if (log > highest) highest = log;
  }
  const weights = logs.map((log) => Math.exp(log - highest));
  const total = weights.reduce((sum, w) => sum + w, 0);
  return { rates, weights: weights.map((w) => w / total) };
}

function cumulativeDoses(sessions: readonly ExposedSession[]): number[] {
  let total = 0;
  return sessions.map(({ dose }) => (total += dose));
}

/** Rate at a probability, linear between grid points in the cumulated weight. */
function rateQuantile({ rates, weights }: RatePosterior, p: number): number {
  let below = 0;
  for (let i = 0; i < rates.length; i++) {
    const weight = weights[i]!;
    // The mass of a grid point is spread half a cell to either side of it.
    if (below + weight >= p) {
      const within = weight > 0 ? (p - below) / weight - 0.5 : 0;
      const neighbour = rates[Math.min(rates.length - 1, Math.max(0, i + Math.sign(within)))]!;
      return rates[i]! * (neighbour / rates[i]!) ** Math.abs(within);
    }
    below += weight;
  }
  return rates[rates.length - 1]!;
}

/**
 * What is known of a piece's yellowing after its sessions, and how much more it needs.
 *
 * Everything asked for is monotone in k, so its quantiles follow from those of k.
 *
 * @throws Refusal when the target is not below the start
 */
export function exposureForecast(input: ForecastInput): Forecast {
  const { startB, targetB, toleranceB, sessions } = input;
  if (targetB > startB)
    throw new Refusal(
      'targetB',
      `The target b* ${targetB} is yellower than the start b* ${startB}; light and peroxide only take yellow away. Check which patch is the hidden one.`,
    );
  const posterior = ratePosterior(input);
  const [slow, usual, quick] = [0.05, 0.5, 0.95].map((p) => rateQuantile(posterior, p)) as [number, number, number];
  const done = sessions.reduce((sum, { dose }) => sum + dose, 0);
  const needed = Math.max(0, Math.log((startB - targetB) / toleranceB));
  const toGo = (rate: number) => (startB - targetB <= toleranceB ? 0 : Math.max(0, needed / rate - done));
  const nowB = (rate: number) => yellowAfter(startB, targetB, rate, done);
  return {
    rate: { low: slow, median: usual, high: quick },
    currentB: nowB(usual),
    currentBand: { low: nowB(quick), median: nowB(usual), high: nowB(slow) },
    doseToGo: { low: toGo(quick), median: toGo(usual), high: toGo(slow) },
    doubt: doubtAbout(input, usual),
  };
}

/** Says so when measurements contradict a steady fade, instead of pretending to a narrow band. */
function doubtAbout({ startB, targetB, sessions, measurementSd }: ForecastInput, rate: number): string | null {
  const doses = cumulativeDoses(sessions);
  for (let s = 0; s < sessions.length; s++) {
    const measured = sessions[s]!.measuredB;
    if (measured === null) continue;
    if (measured > startB + 3 * measurementSd)
      return `After session ${s + 1} it measured yellower (b* ${measured.toFixed(1)}) than at the start (${startB.toFixed(1)}). Light and peroxide do not do that: check the light, the card and that it is the same face.`;
    const expected = yellowAfter(startB, targetB, rate, doses[s]!);
    if (Math.abs(measured - expected) > 4 * measurementSd)
      return `Session ${s + 1} measured b* ${measured.toFixed(1)} where the fade so far leads to ${expected.toFixed(1)}. The forecast is less sure than its band shows.`;
  }
  return null;
}
