import { LRUCache } from 'lru-cache';
import { assumed } from '../assumptions/assumptions';
import { Refusal } from '../refusal';
import { bAfter, bandOf, fadeSamples, type Sample } from './uncertain';
import { type Band, type ExposedSession, type Forecast, type ForecastInput, nameOf, yellowAfter } from './fade';

const GRID = 2001;

const REACH_SD = 6;

/** Curves are drawn as often as forecasts are told. */
const CURVES = new LRUCache<string, readonly FadePoint[], { input: ForecastInput; forecast: Forecast; points: number }>(
  {
    max: 100,
    memoMethod: (_name, _stale, { context: { input, forecast, points } }) => curveOf(input, forecast, points),
  },
);

/** The posterior of ln k on an even grid: weights sum to 1. */
export interface RatePosterior {
  rates: Float64Array;
  weights: Float64Array;
}

/** Priors by themselves: a plan of the bench asks for the same few for every piece that was not tried yet. */
const UNTRIED = new LRUCache<string, RatePosterior, ForecastInput>({
  max: 200,
  memoMethod: (_name, _stale, { context }) => posteriorOf(context),
});

/** A page asks for the same forecast of a piece again and again, until it is measured or a session ends. */
const FORECASTS = new LRUCache<string, Forecast, ForecastInput>({
  max: 500,
  memoMethod: (_name, _stale, { context }) => forecastOf(context),
});

/**
 * Posterior of the rate: log-normal prior times Gaussian likelihood of each measured b*, on a fine grid of ln k.
 */
export function ratePosterior(input: ForecastInput): RatePosterior {
  if (input.sessions.some(({ measuredB }) => measuredB !== null)) return posteriorOf(input);
  return UNTRIED.memo(`${input.prior.medianRate} ${input.prior.logSd}`, { context: input });
}

function posteriorOf(input: ForecastInput): RatePosterior {
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

/** Whether anything besides the rate is not known exactly. */
const isUncertain = ({ startSd = 0, targetSd = 0, doseSdShare = 0 }: ForecastInput) =>
  startSd > 0 || targetSd > 0 || doseSdShare > 0;

/** The most that an error of the dose moves b*, as a share of the yellow: k·D·exp(−k·D) at its greatest. */
const STEEPEST = Math.exp(-1);

/** The input with all its errors in that of a reading: no doubt is raised that any of them explains. */
function loosely(input: ForecastInput): ForecastInput {
  const { startB, targetB, startSd = 0, targetSd = 0, doseSdShare = 0, measurementSd } = input;
  const byDose = STEEPEST * doseSdShare * Math.max(0, startB - targetB);
  return { ...input, measurementSd: Math.hypot(measurementSd, startSd, targetSd, byDose) };
}

/**
 * What is known of a piece's yellowing after its sessions, and how much more it needs.
 *
 * With start, target and doses exact everything asked for is monotone in k, so its quantiles follow from those of k.
 * Where they have errors, it is read off samples of all that may be so.
 *
 * @throws Refusal when the target is not below the start
 */
export const exposureForecast = (input: ForecastInput): Readonly<Forecast> =>
  FORECASTS.memo(`${assumed('come to rest')} ${nameOf(input)}`, { context: input });

function forecastOf(input: ForecastInput): Forecast {
  const { startB, targetB } = input;
  if (targetB > startB)
    throw new Refusal(
      'targetB',
      `The target b* ${targetB} is yellower than the start b* ${startB}; light and peroxide only take yellow away. Check which patch is the hidden one.`,
    );
  const loose = loosely(input);
  const doubt = doubtAbout(loose, rateQuantile(ratePosterior(loose), 0.5));
  const counted = doubt ? { ...input, measurementSd: input.measurementSd * widening(loose) } : input;
  return {
    ...(isUncertain(input) ? sampledForecast(counted) : plainForecast(counted)),
    doubt: doubt && `${doubt} The band is widened to what the measurements disagree by.`,
  };
}

function plainForecast(input: ForecastInput): Omit<Forecast, 'doubt'> {
  const { startB, targetB, toleranceB, sessions, nextDose } = input;
  const posterior = ratePosterior(input);
  const [slow, usual, quick] = [0.05, 0.5, 0.95].map((p) => rateQuantile(posterior, p)) as [number, number, number];
  const done = sessions.reduce((sum, { dose }) => sum + dose, 0);
  const needed = Math.max(0, Math.log((startB - targetB) / toleranceB));
  const toGo = (rate: number) => (startB - targetB <= toleranceB ? 0 : Math.max(0, needed / rate - done));
  const after = (dose: number): Band => {
    const b = (rate: number) => yellowAfter(startB, targetB, rate, done + dose);
    return { low: b(quick), median: b(usual), high: b(slow) };
  };
  const current = after(0);
  return {
    rate: { low: slow, median: usual, high: quick },
    currentB: current.median,
    currentBand: current,
    doseToGo: { low: toGo(quick), median: toGo(usual), high: toGo(slow) },
    nextB: nextDose === undefined ? null : after(nextDose),
    nextMeasuredB: nextDose === undefined ? null : nextOf(fadeSamples(input), nextDose, ({ read }) => read),
  };
}

/** What a session brings a piece to, and on top of that, sample by sample, what is read of it. */
const nextOf = (samples: readonly Sample[], dose: number, more: (sample: Sample) => number): Band =>
  bandOf(samples, (sample) => bAfter(sample, sample.next * dose) + more(sample));

function sampledForecast(input: ForecastInput): Omit<Forecast, 'doubt'> {
  const { toleranceB, nextDose } = input;
  const samples = fadeSamples(input);
  const current = bandOf(samples, (sample) => bAfter(sample, 0));
  return {
    rate: bandOf(samples, ({ rate }) => rate),
    currentB: current.median,
    currentBand: current,
    doseToGo: bandOf(samples, ({ rate, start, target, done }) =>
      start - target <= toleranceB ? 0 : Math.max(0, Math.log((start - target) / toleranceB) / rate - done),
    ),
    nextB: nextDose === undefined ? null : nextOf(samples, nextDose, () => 0),
    nextMeasuredB: nextDose === undefined ? null : nextOf(samples, nextDose, ({ read }) => read),
  };
}

/**
 * How much wider the error of a measurement must be for the measurements to agree with the fade: the root of
 * chi-squared over their number (Birge 1932). Measurements that contradict the model make it less sure, not wrong with
 * confidence.
 */
function widening(input: ForecastInput): number {
  const { startB, targetB, sessions, measurementSd } = input;
  const rate = rateQuantile(ratePosterior(input), 0.5);
  const doses = cumulativeDoses(sessions);
  const misses = sessions.flatMap(({ measuredB }, s) =>
    measuredB === null ? [] : [(measuredB - yellowAfter(startB, targetB, rate, doses[s]!)) / measurementSd],
  );
  return Math.max(1, Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / misses.length));
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
export const fadeCurve = (input: ForecastInput, forecast: Forecast, points = 41): readonly FadePoint[] =>
  CURVES.memo(`${points} ${JSON.stringify([forecast.rate, forecast.doseToGo])} ${nameOf(input)}`, {
    context: { input, forecast, points },
  });

function curveOf(input: ForecastInput, { rate, doseToGo }: Forecast, points: number): FadePoint[] {
  const { startB, targetB, sessions } = input;
  const done = sessions.reduce((sum, { dose }) => sum + dose, 0);
  const end = Math.max(done * 1.1, done + Math.min(doseToGo.high, 1.6 * doseToGo.median), 1);
  const samples = isUncertain(input) ? fadeSamples(input) : null;
  // What was given so far may have been more or less than it counts for: the past is stretched by as much.
  const asGiven = (sample: Sample, dose: number) =>
    dose > done ? dose - done : done > 0 ? -sample.done * (1 - dose / done) : 0;
  return Array.from({ length: points }, (_, i) => {
    const dose = (end * i) / (points - 1);
    const at = (k: number) => yellowAfter(startB, targetB, k, dose);
    const b = samples
      ? bandOf(samples, (sample) => bAfter(sample, asGiven(sample, dose)))
      : { low: at(rate.high), median: at(rate.median), high: at(rate.low) };
    return { dose, b };
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
