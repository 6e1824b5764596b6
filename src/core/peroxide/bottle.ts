import { assumed, assumedWords } from '../assumptions/assumptions';
import type { Band } from '../fade/fade';
import { agedStrength } from './agedBottle';
import { peroxideStrength, type StrengthUnit } from './strength';

export const TEST_WAYS = ['gas', 'age', 'other'] as const;
export type TestWay = (typeof TEST_WAYS)[number];
/** How it was found, behind the strength. */
export const FOUND: Record<TestWay, string> = {
  gas: 'by the gas of a sample',
  age: 'estimated by its age',
  other: 'by another test',
};

/** What a bottle was found to hold after its label was printed. */
export interface StrengthTest {
  percentWW: number;
  how: TestWay;
  /** ISO 8601. */
  at: string;
}

/** A bottle of peroxide as the stores know it. */
export interface Bottle {
  kind: string;
  strengthValue: number | null;
  strengthUnit: StrengthUnit | null;
  addedAt: string;
  /** The newest test; `null` before one. */
  tested: StrengthTest | null;
}

const isPeroxide = ({ kind }: Bottle) => kind === 'peroxide liquid' || kind === 'peroxide cream';

/** What a bottle is counted with, % by weight: its newest test, else its label; `null` for what is no peroxide or has no strength. */
export function percentOf(bottle: Bottle): number | null {
  const { strengthValue, strengthUnit, tested } = bottle;
  if (!isPeroxide(bottle) || strengthValue === null || strengthUnit === null) return null;
  return tested?.percentWW ?? peroxideStrength(strengthValue, strengthUnit).percentWW;
}

const MONTH_MS = (365.25 / 12) * 24 * 3_600_000;
/** Mean months from an instant (ISO 8601) to another. */
export const monthsSince = (at: string, now: Date): number => (now.getTime() - Date.parse(at)) / MONTH_MS;

const ROOM_C = 20;

/**
 * What a bottle that has stood for some months may still hold: an estimate, taken for open and at room warmth since it was
 * put into the stores or tested; `null` while it is young, or no peroxide.
 */
export function agedSince(bottle: Bottle, now: Date): { months: number; percentWW: Band } | null {
  const percent = percentOf(bottle);
  const months = monthsSince(bottle.tested?.at ?? bottle.addedAt, now);
  if (percent === null || months < assumed('an old bottle')) return null;
  return { months, percentWW: agedStrength(percent, { months, openMonths: months, storageC: ROOM_C }) };
}

/** The same in words. */
export function agedWords({ months, percentWW: { low, median, high } }: { months: number; percentWW: Band }): string {
  return `It has stood for ${Math.round(months)} months: by its age about ${median.toFixed(1)} % is left (${low.toFixed(1)} to ${high.toFixed(1)}, an estimate). ${assumedWords('an open bottle')}.`;
}
