import { assumed } from '../assumptions/assumptions';

/** From so much b* on it is seen across the bench, and from so much across the room. */
const CLEARLY_B = 4;
const FAR_B = 10;

/**
 * How far a piece is from its hidden patch, in words and then in figures.
 *
 * @param deltaB b* above the hidden patch; below it where it is negative
 * @example
 * distanceInWords(6.44); // 'clearly yellower, b* 6.4 to go'
 */
export function distanceInWords(deltaB: number): string {
  const size = Math.abs(deltaB).toFixed(1);
  if (Math.abs(deltaB) < assumed('seen b*')) return 'as its hidden patch';
  if (deltaB < 0) return `paler than its hidden patch by b* ${size}`;
  return `${deltaB < CLEARLY_B ? 'slightly' : deltaB < FAR_B ? 'clearly' : 'far'} yellower, b* ${size} to go`;
}
