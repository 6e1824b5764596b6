import { assumed } from '../assumptions/assumptions';
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
  const doubt = doubtAbout(input, rateQuantile(ratePosterior(input), 0.5));
  const posterior = ratePosterior(doubt ? { ...input, measurementSd: widened(input) } : input);
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
    doubt: doubt && `${doubt} The band is widened to what the measurements disagree by.`,
  };
}

/**
 * The error of a measurement that makes the measurements agree with the fade: scaled by the root of chi-squared over
 * their number (Birge 1932). Measurements that contradict the model make it less sure, not wrong with confidence.
 */
function widened(input: ForecastInput): number {
  const { startB, targetB, sessions, measurementSd } = input;
  const rate = rateQuantile(ratePosterior(input), 0.5);
  const doses = cumulativeDoses(sessions);
  const misses = sessions.flatMap(({ measuredB }, s) =>
    measuredB === null ? [] : [(measuredB - yellowAfter(startB, targetB, rate, doses[s]!)) / measurementSd],
  );
  return measurementSd * Math.max(1, Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / misses.length));
}

/** A place on the fade: dose so far, and where b* should be. */
interface FadePoint {
  dose: number;
  b: Band;
}

/**
 * The fade of a piece with its band, from its start to the dose that the target takes, for a chart.
 *
 * @param points along the curve
 */
export function fadeCurve(input: ForecastInput, { rate, doseToGo }: Forecast, points = 41): FadePoint[] {
  const { startB, targetB, sessions } = input;
  const done = sessions.reduce((sum, { dose }) => sum + dose, 0);
  const end = Math.max(done * 1.1, done + Math.min(doseToGo.high, 1.6 * doseToGo.median), 1);
  return Array.from({ length: points }, (_, i) => {
    const dose = (end * i) / (points - 1);
    const at = (k: number) => yellowAfter(startB, targetB, k, dose);
    return { dose, b: { low: at(rate.high), median: at(rate.median), high: at(rate.low) } };
  });
}

/** Says so when measurements contradict a steady fade, instead of pretending to a narrow band. */
function doubtAbout(
  { startB, targetB, toleranceB, sessions, measurementSd }: ForecastInput,
  rate: number,
): string | null {
  const doses = cumulativeDoses(sessions);
  let before = { b: startB, dose: 0 };
  let rested: string | null = null;
  for (let s = 0; s < sessions.length; s++) {
    const measured = sessions[s]!.measuredB;
    if (measured === null) continue;
    if (measured > startB + 3 * measurementSd)
      return `After session ${s + 1} it measured yellower (b* ${measured.toFixed(1)}) than at the start (${startB.toFixed(1)}). Light and peroxide do not do that: check the light, the card and that it is the same face.`;
    // What this session should have taken, had the ones before it been the whole story.
    const pace =
      before.dose > 0 && before.b < startB
        ? Math.log((startB - targetB) / Math.max(0.1, before.b - targetB)) / before.dose
        : rate;
    const wanted = (before.b - targetB) * (1 - Math.exp(-pace * (doses[s]! - before.dose)));
    const took = before.b - measured;
    const far = measured - targetB > toleranceB + 2 * measurementSd;
    if (s > 0 && before.dose > 0 && far && wanted > 3 * measurementSd && took < assumed('come to rest') * wanted)
      rested = `The last session took b* down by ${Math.max(0, took).toFixed(1)} where ${wanted.toFixed(1)} were to be expected: it seems to come to rest near b* ${measured.toFixed(1)}, above the target of ${targetB.toFixed(1)}. The hidden patch may be bluer than this plastic can come back to, or the solution is spent: try fresh solution once, then stop.`;
    else rested = null;
    before = { b: measured, dose: doses[s]! };
  }
  if (rested) return rested;
  for (let s = 0; s < sessions.length; s++) {
    const measured = sessions[s]!.measuredB;
    if (measured === null) continue;
    const expected = yellowAfter(startB, targetB, rate, doses[s]!);
    if (Math.abs(measured - expected) > 4 * measurementSd)
      return `Session ${s + 1} measured b* ${measured.toFixed(1)} where the fade so far leads to ${expected.toFixed(1)}.`;
  }
  return null;
}
