import { assumed } from '../assumptions/assumptions';
export const VERDICTS = ['to go', 'matched', 'uneven', 'past it'] as const;
export type Verdict = (typeof VERDICTS)[number];

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
  if (deltaE00 > assumed('matched ΔE00')) return 'to go';
  return evenness > assumed('uneven b*') ? 'uneven' : 'matched';
}

/** Whether a region holds several parts of very different yellow, so that its evenness says nothing of a session. */
export const isSeveralParts = (evenness: number): boolean => evenness > assumed('several parts');

/** What a verdict means at the bench. */
export const VERDICT_WORDS: Record<Verdict, string> = {
  'to go': 'There is yellow left between this and the hidden patch.',
  matched: 'It matches the hidden patch.',
  uneven: 'On the whole it matches, but parts of it differ.',
  'past it': 'It is lighter and less yellow than the hidden patch: bleached too far.',
};

/** Whether most of a region is of one colour, so that what was left out for shade, glare or another colour does not decide. */
export const isOneColour = (usedShare: number): boolean => usedShare >= assumed('of one colour');
