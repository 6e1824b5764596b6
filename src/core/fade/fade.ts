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

/** Errors that a forecast counts with; without them start, target and doses are taken as exact. */
export interface FadeErrors {
  /** Of the b* at the start, one standard deviation. */
  startSd: number;
  /** Of the b* that the fade leads to: some pieces come to rest above their target, some pass it. */
  targetSd: number;
  /** Of each dose, as a share of it. */
  doseSdShare: number;
}

export interface ForecastInput extends Partial<FadeErrors> {
  startB: number;
  targetB: number;
  /** Stop when b* is within this of the target. */
  toleranceB: number;
  sessions: readonly ExposedSession[];
  /** Log-normal prior of the rate k. */
  prior: { medianRate: number; logSd: number };
  /** Standard deviation of one measured b*. */
  measurementSd: number;
  /** Dose of the session that comes next, for what it should lead to. */
  nextDose?: number;
}

/** A name that two inputs share only if every number in them is the same: what was worked out for it is found again by it. */
export const nameOf = (input: ForecastInput): string =>
  [
    ...[input.startB, input.targetB, input.toleranceB, input.measurementSd, input.prior.medianRate, input.prior.logSd],
    ...[input.startSd, input.targetSd, input.doseSdShare, input.nextDose],
    ...input.sessions.flatMap(({ dose, measuredB }) => [dose, measuredB]),
  ].join(' ');

export interface Forecast {
  /** Rate k per unit of dose. */
  rate: Band;
  /** b* expected now, after all sessions. */
  currentB: number;
  currentBand: Band;
  doseToGo: Band;
  /** True b* after the next dose, and what will be read of it; `null` where no next dose is named. */
  nextB: Band | null;
  nextMeasuredB: Band | null;
  /** Set when the measurements do not fit the model: what does not fit, in words. */
  doubt: string | null;
}

/** b* after a dose: target + (start − target)·exp(−k·D). */
export function yellowAfter(startB: number, targetB: number, rate: number, dose: number): number {
  return targetB + (startB - targetB) * Math.exp(-rate * dose);
}
