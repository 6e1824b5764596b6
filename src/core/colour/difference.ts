import { ciede2000 } from './spaces';
import type { Lab } from './types';

const colour = ([l, a, b]: Lab) => ({ mode: 'lab65' as const, l, a, b });

/**
 * Colour difference CIEDE2000 with all weights 1 (Sharma, Wu and Dalal 2005).
 *
 * @example deltaE00([50, 2.6772, -79.7751], [50, 0, -82.7485]) // 2.0425
 */
export function deltaE00(a: Lab, b: Lab): number {
  return ciede2000(colour(a), colour(b));
}

/**
 * What a colour difference means to somebody who holds the two pieces side by side.
 *
 * @example readDifference(1.4) // 'seen only by a trained eye'
 */
export function readDifference(difference: number): string {
  if (difference < 1) return 'cannot be told apart side by side';
  if (difference < 2) return 'seen only by a trained eye';
  if (difference <= 5) return 'seen';
  return 'plain to anyone';
}
