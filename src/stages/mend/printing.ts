import { printFit, type Fitted } from '@/core/mending/printFit';
import { withPoint } from '@/core/units';
import type { Printer } from '@/data/rows';

/** How much smaller across a part is made than its place where nobody said, mm. */
export const USUAL_PLAY_MM = 0.2;
const MOST_PLAY_MM = 2;

/** What a printer does to sizes, by its test bar; `null` for none. */
export const fittedBy = (printer: Printer | undefined): Fitted | null =>
  // Scale and growth are the same for whatever hole a pin is for.
  printer ? printFit({ ...printer, intoMm: 10, clearanceMm: 0 }) : null;

/** Play as it was typed, mm. */
export function playOf(typed: string | null | undefined): number | { wrong: string } {
  if (typed === undefined || typed === null) return USUAL_PLAY_MM;
  const play = Number(withPoint(typed).trim() || NaN);
  return play >= 0 && play <= MOST_PLAY_MM
    ? play
    : { wrong: `Play is a number from 0 to ${MOST_PLAY_MM} mm: 0.1 sits tight, 0.2 goes in by hand, 0.4 is loose.` };
}
