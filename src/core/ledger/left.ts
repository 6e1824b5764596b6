import { amountWords, pouredWords, type UnitSystem } from '../units';

/** What is kept in stores is counted in one of these. */
export type StoreUnit = 'mL' | 'g' | 'pieces' | 'cm²' | 'mm';

/** Kinds of consumables with what each is counted in; the first two are planned with in Brighten. */
const COUNTED = {
  'peroxide liquid': 'mL',
  'peroxide cream': 'mL',
  'oxygen-bleach powder': 'g',
  cleaner: 'mL',
  glue: 'g',
  putty: 'g',
  paint: 'mL',
  'rust converter': 'mL',
  wax: 'g',
  'abrasive paper': 'pieces',
  'gloves and wipes': 'pieces',
  'film and tape': 'cm²',
  'wire and tube': 'mm',
  other: 'mL',
} as const satisfies Record<string, StoreUnit>;
export type StockKind = keyof typeof COUNTED;
export const STOCK_KINDS = Object.keys(COUNTED) as [StockKind, ...StockKind[]];

/** What a kind of consumable is counted in. */
export const unitOf = (kind: string): StoreUnit => COUNTED[kind as StockKind] ?? 'mL';

/** What is left, as it stands behind the name of a bottle that is to be chosen; nothing where nobody knows. */
export function leftWords({ left, kind }: { left: number | null; kind: string }, units: UnitSystem): string {
  if (left === null) return '';
  if (left === 0) return ' (empty)';
  const unit = unitOf(kind);
  return ` (${unit === 'mL' ? pouredWords(left / 1000, units) : amountWords(left, unit, 0, units)} left)`;
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
