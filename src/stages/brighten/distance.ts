import { distanceInWords } from '@/core/colour/distanceInWords';
import type { Measurement } from '@/data/rows';

/** How far a piece is from its hidden patch, as last measured, in a few words. */
export const distanceWords = (latest: Pick<Measurement, 'deltaB'> | null): string =>
  latest?.deltaB == null ? 'not measured' : distanceInWords(latest.deltaB);
