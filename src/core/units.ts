import type { UnitId } from './sums/sum';

/** How amounts are shown and typed; what is kept is always metric. */
export const UNIT_SYSTEMS = ['metric', 'us'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

interface Counterpart {
  unit: string;
  factor: number;
  offset?: number;
}

/** The inch is 25.4 mm, the pound 0.45359237 kg, the US gallon 231 cubic inches: all by definition. */
const US: Partial<Record<UnitId, Counterpart>> = {
  L: { unit: 'US gal', factor: 1 / 3.785411784 },
  mL: { unit: 'fl oz', factor: 1 / 29.5735295625 },
  kg: { unit: 'lb', factor: 1 / 0.45359237 },
  g: { unit: 'oz', factor: 1 / 28.349523125 },
  'cm²': { unit: 'in²', factor: 1 / 6.4516 },
  mm: { unit: 'in', factor: 1 / 25.4 },
  m: { unit: 'ft', factor: 1 / 0.3048 },
  '°C': { unit: '°F', factor: 1.8, offset: 32 },
};

/** The unit shown for a stored one. */
export function shownUnit(unit: string, system: UnitSystem): string {
  return (system === 'us' && US[unit as UnitId]?.unit) || unit;
}

/** A stored value in the unit shown. */
export function toShown(value: number, unit: string, system: UnitSystem): number {
  const us = system === 'us' ? US[unit as UnitId] : undefined;
  return us ? value * us.factor + (us.offset ?? 0) : value;
}

/** A typed value back in the stored unit. */
export function fromShown(value: number, unit: string, system: UnitSystem): number {
  const us = system === 'us' ? US[unit as UnitId] : undefined;
  return us ? (value - (us.offset ?? 0)) / us.factor : value;
}

/**
 * A number as it is sent: in half the world its keys have a comma and no point.
 *
 * @example withPoint('1,5') // '1.5'
 */
export const withPoint = (text: string): string => (/^\s*[-+]?\d*,\d+\s*$/.test(text) ? text.replace(',', '.') : text);

const numberIn = (text: string): number => (text.trim() === '' ? NaN : Number(withPoint(text)));

/** What stands in a field for a stored value, no finer than it is read; words that are no number stay as they are. */
export function toTyped(value: string, unit: string, system: UnitSystem): string {
  const shown = toShown(numberIn(value), unit, system);
  if (Number.isNaN(shown) || shownUnit(unit, system) === unit) return value;
  const size = Math.abs(shown);
  return String(Number(shown.toFixed(size < 1 ? 4 : size < 10 ? 3 : 2)));
}

/** The stored value of what was typed, as text to send; words that are no number stay as they are. */
export function fromTyped(text: string, unit: string, system: UnitSystem): string {
  const typed = numberIn(text);
  return Number.isNaN(typed) ? text : String(Number(fromShown(typed, unit, system).toPrecision(7)));
}

/** A message about a limit, with the limit in the unit shown. */
export function limitShown(message: string, limit: number, unit: string, system: UnitSystem): string {
  return message.replace(
    new RegExp(`(?<![\\d.])${limit}( ${unit})?(?![\\d]|\\.\\d)`, 'g'),
    `${toTyped(String(limit), unit, system)} ${shownUnit(unit, system)}`,
  );
}

/**
 * A stored amount as it is read: `1.58 L`, `0.417 US gal`. A coarser unit gets more digits, so that no less is said.
 *
 * @param digits after the point in the stored unit
 */
export function shownAmount(
  value: number,
  unit: UnitId,
  digits: number,
  system: UnitSystem,
): { value: string; unit: string } {
  const us = system === 'us' ? US[unit] : undefined;
  const more = us ? Math.max(0, Math.ceil(-Math.log10(us.factor) - 0.3)) : 0;
  return { value: toShown(value, unit, system).toFixed(digits + more), unit: shownUnit(unit, system) };
}

/**
 * The same as words.
 *
 * @example amountWords(254, 'mm', 0, 'us') // '10.00 in'
 */
export function amountWords(value: number, unit: UnitId, digits: number, system: UnitSystem): string {
  const shown = shownAmount(value, unit, digits, system);
  return `${shown.value} ${shown.unit}`;
}

/** A liquid as it is measured out: under a litre by the millilitre. */
export const poured = (litres: number): { amount: number; unit: 'L' | 'mL'; digits: number } =>
  litres < 0.9995 ? { amount: 1000 * litres, unit: 'mL', digits: 0 } : { amount: litres, unit: 'L', digits: 2 };

/**
 * The same as words.
 *
 * @example pouredWords(1.578, 'metric') // '1.58 L'
 */
export function pouredWords(litres: number, system: UnitSystem): string {
  const { amount, unit, digits } = poured(litres);
  return amountWords(amount, unit, digits, system);
}
