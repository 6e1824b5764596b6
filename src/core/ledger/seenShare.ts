/** Standard normal quantile that leaves one in twenty above it. */
const Z90 = 1.6448536269514722;

/** A share as it was seen, with where it truly lies nine times in ten. */
export interface SeenShare {
  held: number;
  of: number;
  share: number | null;
  low: number;
  high: number;
}

/**
 * A share with its band of 90 %, after Wilson (1927): honest with small numbers, and within 0 and 1.
 *
 * @param held how often it was so; halves count too
 * @param of how often it was looked at
 * @example seenShare(9, 10).share // 0.9
 */
export function seenShare(held: number, of: number): SeenShare {
  if (of === 0) return { held, of, share: null, low: 0, high: 1 };
  const p = held / of;
  const scale = 1 + Z90 ** 2 / of;
  const middle = (p + Z90 ** 2 / (2 * of)) / scale;
  const half = (Z90 / scale) * Math.sqrt((p * (1 - p)) / of + Z90 ** 2 / (4 * of ** 2));
  return { held, of, share: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
