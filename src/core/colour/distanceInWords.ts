import { assumed } from '../assumptions/assumptions';
import type { Severity } from '../intake/findings';

/** From so much b* on it is seen across the bench, and from so much across the room. */
const CLEARLY_B = 4;
const FAR_B = 10;

/**
 * How yellow a piece is as a finding, by its measured b*; `null` where nobody sees it.
 *
 * @param deltaB b* above the hidden patch; below it where it is negative
 */
export function yellowSeverity(deltaB: number): Severity | null {
  if (deltaB < assumed('seen b*')) return null;
  // By the figure that stands beside the word.
  const shown = Number(deltaB.toFixed(1));
  return shown < CLEARLY_B ? 'slight' : shown < FAR_B ? 'plain' : 'bad';
}

const YELLOWER: Record<Severity, string> = { slight: 'slightly', plain: 'clearly', bad: 'far' };

/**
 * How far a piece is from its hidden patch, in words and then in figures.
 *
 * @param deltaB b* above the hidden patch; below it where it is negative
 * @example
 * distanceInWords(6.44); // 'clearly yellower, b* 6.4 to go'
 */
export function distanceInWords(deltaB: number): string {
  const size = Math.abs(deltaB).toFixed(1);
  const severity = yellowSeverity(deltaB);
  if (severity) return `${YELLOWER[severity]} yellower, b* ${size} to go`;
  return -deltaB < assumed('seen b*') ? 'as its hidden patch' : `paler than its hidden patch by b* ${size}`;
}
