import { NINE_IN_TEN_SD } from '../numbers';
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

/** Errors of what a verdict rests on, one standard deviation. */
export interface VerdictErrors {
  sdDeltaE00: number;
  sdL: number;
  sdB: number;
}

/** A spread over a face is right to so much of it, or to 1 b*. */
const SPREAD_SHARE = 0.25;
const SPREAD_B = 1;

/**
 * Whether a verdict stands with its figures as far off as they may be, each to the side that speaks against it.
 *
 * @returns `false` where it lies about at a limit
 */
export function isSure(
  deltaE00: number,
  deltaL: number,
  deltaB: number,
  evenness: number,
  { sdDeltaE00, sdL, sdB }: VerdictErrors,
): boolean {
  const verdict = judge(deltaE00, deltaL, deltaB, evenness);
  const spread = Math.max(SPREAD_B, SPREAD_SHARE * evenness);
  return [-1, 1].every((to) => {
    const by = to * NINE_IN_TEN_SD;
    return (
      judge(deltaE00 + by * sdDeltaE00, deltaL, deltaB, evenness) === verdict &&
      // Lighter and less yellow go together: a shade or a cast that is not known moves both.
      judge(deltaE00, deltaL + by * sdL, deltaB - by * sdB, evenness) === verdict &&
      judge(deltaE00, deltaL, deltaB, evenness + to * spread) === verdict
    );
  });
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
