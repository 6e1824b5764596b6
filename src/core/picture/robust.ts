import { DARKER_PER_B } from '../colour/plasticScale';
import type { Lab } from '../colour/types';

/** Weighted quantiles by a fine histogram: colours come with counts, and there may be half a million of them. */
const BIN = 0.02;
const LOWEST = -140;
const BINS = Math.round(300 / BIN);

/** Scale from the median absolute deviation to a standard deviation of normal data. */
const MAD_TO_SD = 1.4826;
/** Colours farther than this many robust standard deviations from the median are not the piece. */
const LIMIT_SD = 3.5;
/** Sensor noise alone may not shrink the limits under this, L*a*b* units. */
const SMALLEST_MAD = 0.6;

class Histogram {
  private readonly weights = new Float64Array(BINS);
  private total = 0;

  add(value: number, weight: number): void {
    const bin = Math.min(BINS - 1, Math.max(0, ((value - LOWEST) / BIN) | 0));
    this.weights[bin]! += weight;
    this.total += weight;
  }

  quantile(p: number): number {
    const wanted = p * this.total;
    let below = 0;
    for (let bin = 0; bin < BINS; bin++) {
      const weight = this.weights[bin]!;
      if (weight > 0 && below + weight >= wanted) return LOWEST + BIN * (bin + (wanted - below) / weight);
      below += weight;
    }
    return 0;
  }
}

/** Median of one channel (0 L*, 1 a*, 2 b*) over colours with weights. */
function medianOf(labs: Float32Array, counts: Int32Array, size: number, channel: number): number {
  const histogram = new Histogram();
  for (let id = 0; id < size; id++) if (counts[id]! > 0) histogram.add(labs[3 * id + channel]!, counts[id]!);
  return histogram.quantile(0.5);
}

export interface RobustColour {
  lab: Lab;
  /** 1 for each colour inside the limits, else 0. */
  used: Uint8Array;
  usedCount: number;
  /** 1 for each colour that is this plastic, more or less yellow, else 0: evenness and faults come from all of it. */
  plastic: Uint8Array;
}

/** A plastic that is yellower or paler in places keeps to its own line of ageing: L*, a* and b* may lie so far off. */
const OFF_LINE = { brighter: 5, darker: 8, redder: 5, paler: 15, yellower: 25 };

/**
 * Median L*a*b* of a region without its highlights, deep shadow, print and badges: colours outside
 * 3.5 robust standard deviations of the median in any channel are left out, then the median is taken again.
 *
 * @param labs three numbers a colour
 * @param counts pixels of each colour, 0 where it does not occur
 * @param size number of colours
 */
export function robustColour(labs: Float32Array, counts: Int32Array, size: number): RobustColour {
  const used = new Uint8Array(size);
  const limits = [0, 1, 2].map((channel) => {
    const median = medianOf(labs, counts, size, channel);
    const deviations = new Histogram();
    for (let id = 0; id < size; id++)
      if (counts[id]! > 0) deviations.add(Math.abs(labs[3 * id + channel]! - median), counts[id]!);
    return { median, reach: LIMIT_SD * MAD_TO_SD * Math.max(SMALLEST_MAD, deviations.quantile(0.5)) };
  });
  const plastic = new Uint8Array(size);
  const [l, a, b] = limits as [(typeof limits)[0], (typeof limits)[0], (typeof limits)[0]];
  const kept = new Int32Array(size);
  let usedCount = 0;
  for (let id = 0; id < size; id++) {
    if (counts[id]! === 0) continue;
    const onLine = labs[3 * id]! - l.median + DARKER_PER_B * (labs[3 * id + 2]! - b.median);
    const yellower = labs[3 * id + 2]! - b.median;
    // Glare is brighter than its yellow says, print, gaps, shade and other plastics are darker or of another hue.
    plastic[id] =
      onLine <= Math.max(l.reach, OFF_LINE.brighter) &&
      onLine >= -Math.max(l.reach, OFF_LINE.darker) &&
      Math.abs(labs[3 * id + 1]! - a.median) <= Math.max(a.reach, OFF_LINE.redder) &&
      yellower >= -Math.max(b.reach, OFF_LINE.paler) &&
      yellower <= Math.max(b.reach, OFF_LINE.yellower)
        ? 1
        : 0;
    const inside =
      Math.abs(labs[3 * id]! - l.median) <= l.reach &&
      Math.abs(labs[3 * id + 1]! - a.median) <= a.reach &&
      Math.abs(labs[3 * id + 2]! - b.median) <= b.reach;
    if (!inside) continue;
    used[id] = 1;
    kept[id] = counts[id]!;
    usedCount += counts[id]!;
  }
  return {
    lab: [medianOf(labs, kept, size, 0), medianOf(labs, kept, size, 1), medianOf(labs, kept, size, 2)],
    used,
    usedCount,
    plastic,
  };
}
