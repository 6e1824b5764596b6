import { NO_SHEET, type PaintSheet } from '@/core/finish/coat';
import type { FieldDef, Values } from '@/ui/AnswerForm';

const figure = (name: keyof typeof NO_SHEET, label: string, unit: string, hint?: string): FieldDef => ({
  ...{ name, label, kind: 'number', unit, third: true, optional: true },
  hint: hint ?? (typeof NO_SHEET[name] === 'number' ? `else ${NO_SHEET[name]}` : ''),
});

/** What the sheet of a paint says, as it is typed. */
export const SHEET_FIELDS: readonly FieldDef[] = [
  figure('touchH', 'Dry to the touch', 'h'),
  figure('soonestH', 'Next coat from', 'h'),
  figure('latestH', 'Next coat until', 'h', 'empty: any time after'),
  figure('againFromH', 'Or again from', 'h', 'after a bad time between'),
  figure('throughH', 'Through', 'h'),
  figure('lowestC', 'Lowest', '°C'),
  figure('highestC', 'Highest', '°C'),
  figure('highestHumidityPercent', 'Dampest air', '%'),
];

/** A sheet by what was typed of it; what was left empty is a cautious guess, and keyed between coats where all of it is. */
export function sheetOfTyped(typed: Values, guess: PaintSheet = NO_SHEET): Record<keyof PaintSheet, unknown> {
  const of = (name: string) => typed[name] ?? '';
  return {
    ...(Object.fromEntries(
      Object.entries(guess).map(([name, otherwise]) => [name, of(name) === '' ? otherwise : of(name)]),
    ) as Record<keyof PaintSheet, unknown>),
    ...{ latestH: of('latestH') || null, againFromH: of('againFromH') || null },
    // Nobody has its sheet: keyed between coats where that is safer.
    keyed: guess.keyed && SHEET_FIELDS.every(({ name }) => of(name) === ''),
  };
}
