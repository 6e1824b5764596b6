import { assumed } from '@/core/assumptions/assumptions';
import { NINE_IN_TEN_SD } from '@/core/numbers';
import type { MeasureResult } from '@/core/picture/measure';

/** More than this a light is uneven enough that evening it out would help, b*. */
const WIDE_SD = 1.2;

/** How far a figure may be off, as people say it: in halves where it is large, in tenths where it is small. */
export function giveOrTake(sd: number): string {
  const width = NINE_IN_TEN_SD * sd;
  return width >= 1 ? (Math.round(2 * width) / 2).toFixed(1) : width.toFixed(1);
}

/** What would make a measurement surer, the most useful first; empty where it is sure enough. */
export function whatHelps({ card, warnings, regions }: MeasureResult): string[] {
  const piece = regions.find(({ id }) => id === 'piece');
  if (piece?.sdB === undefined || (piece.sure !== false && piece.sdB < WIDE_SD)) return [];
  const light = warnings.some(({ kind }) => kind === 'light changes');
  const few = card.method === 'none' || card.method === 'gain';
  return [
    light && 'light from farther away, or a picture of a plain sheet in the same light under “Even the light”',
    few && 'a second grey, one of them about as light as the plastic, or the printed sheet of greys',
    !few && card.method !== 'matrix' && 'six or more patches of known colour',
    'daylight without sun, and the hidden patch close to what is measured',
  ].filter((words): words is string => Boolean(words));
}

/** How a verdict stands to the limit that it is measured by. */
export const limitWords = (deltaE00: number): string =>
  `ΔE00 ${deltaE00.toFixed(1)}; it matches up to ${assumed('matched ΔE00').toFixed(1)}.`;
