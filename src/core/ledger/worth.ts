import { assumed } from '../assumptions/assumptions';
/** An estimate in whole units of money or hours: the least, the likeliest and the most. */
export interface Range {
  low: number;
  likely: number;
  high: number;
}

/** What somebody estimates of a restoration, money in whole units. */
export interface WorthEstimate {
  /** Parts and material still to come. */
  parts: Range;
  /** Own hours still to come. */
  hours: Range;
  goodOne: Range;
}

export interface WorthInput extends WorthEstimate {
  pricePaid: number;
  spent: number;
  hoursWorked: number;
  hourlyRate: number;
}

export interface Worth {
  /** What it will have cost with own hours counted, 5 %, 50 % and 95 %. */
  cost: Range;
  /** The price of a good one less that cost. */
  gain: Range;
  /** Chance that it costs less than a good one. */
  chanceWorth: number;
  /** Money alone, own hours not counted. */
  cashGain: Range;
  /** What an own hour earns, as the likeliest figures have it; `null` without hours. */
  perHour: number | null;
  verdict: 'worth it' | 'open' | 'not for the money';
}

const STEPS = 100;

/** Triangular distribution in equal shares of probability: its value in the middle of each share. */
function triangular({ low, likely, high }: Range): number[] {
  const width = high - low;
  if (width === 0) return new Array<number>(STEPS).fill(low);
  const peak = (likely - low) / width;
  return Array.from({ length: STEPS }, (_, i) => {
    const u = (i + 0.5) / STEPS;
    return u < peak ? low + Math.sqrt(u * width * (likely - low)) : high - Math.sqrt((1 - u) * width * (high - likely));
  });
}

/** Sums of two independent quantities, back in equal shares of probability. */
function convolve(a: readonly number[], b: readonly number[]): number[] {
  const sums = a.flatMap((x) => b.map((y) => x + y)).sort((x, y) => x - y);
  return Array.from({ length: STEPS }, (_, i) => quantile(sums, (i + 0.5) / STEPS));
}

/** Quantile of sorted values, each of which stands in the middle of its share. */
function quantile(sorted: readonly number[], p: number): number {
  const place = Math.min(sorted.length - 1, Math.max(0, p * sorted.length - 0.5));
  const [below, above] = [sorted[Math.floor(place)]!, sorted[Math.ceil(place)]!];
  return below + (place - Math.floor(place)) * (above - below);
}

function quantiles(values: readonly number[]): Range {
  const sorted = [...values].sort((a, b) => a - b);
  return { low: quantile(sorted, 0.05), likely: quantile(sorted, 0.5), high: quantile(sorted, 0.95) };
}

/**
 * Whether a restoration is worth its money: price, parts and own hours against the price of a good one. Each
 * estimate is a triangular distribution, and they are taken for independent.
 */
export function worth({ pricePaid, parts, spent, hours, hoursWorked, hourlyRate, goodOne }: WorthInput): Worth {
  const fixed = pricePaid + spent + hoursWorked * hourlyRate;
  const toCome = triangular(hours).map((h) => h * hourlyRate);
  const costs = convolve(triangular(parts), toCome).map((c) => c + fixed);
  const negative = (values: readonly number[]) => values.map((v) => -v);
  const gains = convolve(triangular(goodOne), negative(costs));
  const cash = convolve(triangular(goodOne), negative(triangular(parts).map((c) => c + pricePaid + spent)));
  const chanceWorth = gains.filter((g) => g > 0).length / gains.length;
  const allHours = hoursWorked + hours.likely;
  return {
    cost: quantiles(costs),
    gain: quantiles(gains),
    chanceWorth,
    cashGain: quantiles(cash),
    perHour: allHours > 0 ? (goodOne.likely - pricePaid - spent - parts.likely) / allHours : null,
    verdict:
      chanceWorth >= assumed('likely worth it')
        ? 'worth it'
        : chanceWorth <= 1 - assumed('likely worth it')
          ? 'not for the money'
          : 'open',
  };
}
