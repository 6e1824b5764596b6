export const VERDICTS = ['to go', 'matched', 'uneven', 'past it'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** At or under this ΔE00 a piece counts as matched: only a trained eye sees the rest. */
const MATCHED_DELTA_E = 2;
/** A matched piece whose Δb* spreads wider than this between its 5th and 95th percentile is uneven. */
const UNEVEN_DELTA_B = 5;

/**
 * Verdict of a region against its reference.
 *
 * @param deltaE00 to the reference
 * @param deltaL L* minus the reference's
 * @param deltaB b* minus the reference's
 * @param evenness 5th to 95th percentile of Δb*
 */
export function judge(deltaE00: number, deltaL: number, deltaB: number, evenness: number): Verdict {
  if (deltaL > 2 && deltaB < 0) return 'past it';
  if (deltaE00 > MATCHED_DELTA_E) return 'to go';
  return evenness > UNEVEN_DELTA_B ? 'uneven' : 'matched';
}

/** No session leaves one plastic so uneven, b*: it is several parts, keys and shell, that lie inside the outline. */
const SEVERAL_PARTS_B = 15;

/** Whether a region holds several parts of very different yellow, so that its evenness says nothing of a session. */
export const isSeveralParts = (evenness: number): boolean => evenness > SEVERAL_PARTS_B;

/** What a verdict means at the bench. */
export const VERDICT_WORDS: Record<Verdict, string> = {
  'to go': 'There is yellow left between this and the hidden patch.',
  matched: 'It matches the hidden patch.',
  uneven: 'On the whole it matches, but parts of it differ.',
  'past it': 'It is lighter and less yellow than the hidden patch: bleached too far.',
};
