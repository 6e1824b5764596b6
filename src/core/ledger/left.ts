import { amountWords, pouredWords, type UnitSystem } from '../units';

/** What a kind of consumable is counted in: powder is weighed. */
export const unitOf = (kind: string): 'mL' | 'g' => (kind === 'oxygen-bleach powder' ? 'g' : 'mL');

/** What is left, as it stands behind the name of a bottle that is to be chosen; nothing where nobody knows. */
export function leftWords({ left, kind }: { left: number | null; kind: string }, units: UnitSystem): string {
  if (left === null) return '';
  if (left === 0) return ' (empty)';
  return ` (${unitOf(kind) === 'g' ? amountWords(left, 'g', 0, units) : pouredWords(left / 1000, units)} left)`;
}

/** What came out of a bottle, or was found in it when it was counted. */
export interface Movement {
  /** By how much its content changed, mL, or g of powder; negative for what was taken out. */
  change: number;
  kind: 'used' | 'counted';
}

/**
 * What is left in a bottle, mL, or g of powder; `null` where neither its size nor a count is known.
 *
 * @param size what it holds when full
 */
export function leftIn(size: number | null, movements: readonly Movement[]): number | null {
  if (size === null && !movements.some(({ kind }) => kind === 'counted')) return null;
  // More may be taken out than the record knows of: a bottle is never emptier than empty.
  return Math.max(
    0,
    movements.reduce((left, { change }) => left + change, size ?? 0),
  );
}

/** The movement that a count comes to: whatever was believed, this is what is in it. */
export function countOf(size: number | null, movements: readonly Movement[], found: number): Movement {
  return { kind: 'counted', change: found - movements.reduce((left, { change }) => left + change, size ?? 0) };
}

/**
 * Its share of the price of a whole bottle, in minor units; 0 where price or size is not known.
 *
 * @example shareOfPrice(1200, 1000, 250) // 300
 */
export function shareOfPrice(priceMinor: number | null, size: number | null, used: number): number {
  return priceMinor === null || !size ? 0 : Math.round((priceMinor * used) / size);
}
