import { assumed } from '@/core/assumptions/assumptions';
import { HIDDEN_REGION, PIECE_REGION } from '@/data/measurements';
import type { Measurement } from '@/data/rows';

/**
 * b* of a measurement: what it read above the hidden patch in the same picture, on top of where that patch is by all
 * pictures. What is off in the light of one picture is off in both, and goes.
 */
export function bOf({ lab, deltaB, result }: Measurement, hiddenB: number | null): number {
  const inSight = deltaB !== null && result.regions.some(({ id }) => id === HIDDEN_REGION);
  return inSight && hiddenB !== null ? hiddenB + deltaB : lab![2];
}

/** How well a measurement is known, one standard deviation of b*. */
export const sdOf = ({ result }: Pick<Measurement, 'result'>): number =>
  result.regions.find(({ id }) => id === PIECE_REGION)?.sdB ??
  Math.max(assumed('a measured b*'), result.card.residualDeltaE00 ?? 0);
