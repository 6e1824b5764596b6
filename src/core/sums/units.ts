import type { UnitId } from './sum';

export type UnitSystem = 'metric' | 'us';

interface Counterpart {
  unit: string;
  factor: number;
  offset?: number;
}

const US: Partial<Record<UnitId, Counterpart>> = {
  L: { unit: 'US gal', factor: 0.264172 },
  mL: { unit: 'fl oz', factor: 0.033814 },
  kg: { unit: 'lb', factor: 2.204623 },
  g: { unit: 'oz', factor: 0.035274 },
  'cm²': { unit: 'in²', factor: 0.155 },
  mm: { unit: 'in', factor: 0.0393701 },
  m: { unit: 'ft', factor: 3.28084 },
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
