import { assumed } from '../assumptions/assumptions';

/** Weaker than this, % by weight, it is water. */
const WATER_PERCENT = 0.01;

/**
 * How much faster than at the usual strength of its way a solution works. Plan, forecast and rehearsal count with it.
 *
 * @example strengthFactor(12, 12) // 1
 */
export const strengthFactor = (percentWW: number, usualPercentWW: number): number =>
  (Math.max(WATER_PERCENT, percentWW) / usualPercentWW) ** assumed('strength');
