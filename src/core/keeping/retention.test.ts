import { addDays, formatISO, parseISO } from 'date-fns';
import fc from 'fast-check';
import { copiesToKeep, KEPT, type DatedCopy } from './retention';

const copy = (day: string, time = '12:00'): DatedCopy => ({ id: `${day} ${time}`, day, at: `${day}T${time}:00.000Z` });
const dayAfter = (day: string, days: number) => formatISO(addDays(parseISO(day), days), { representation: 'date' });
const kept = (copies: DatedCopy[]) => [...copiesToKeep(copies)].sort();

it('of one day the newest stays, of the newest day all', () => {
  const two = [copy('2026-06-21', '08:00'), copy('2026-06-21', '20:00')];
  expect(kept(two)).toEqual(['2026-06-21 08:00', '2026-06-21 20:00']);
  expect(kept([...two, copy('2026-06-22')])).toEqual(['2026-06-21 20:00', '2026-06-22 12:00']);
});

it('daily for two years: the last seven days, the newest of four weeks and of twelve months', () => {
  const daily = Array.from({ length: 730 }, (_, i) => copy(dayAfter('2025-01-01', i)));
  // The last day is Thursday 31 December 2026.
  expect(kept(daily).map((id) => id.slice(0, 10))).toEqual([
    ...['2026-01-31', '2026-02-28', '2026-03-31', '2026-04-30', '2026-05-31', '2026-06-30', '2026-07-31'],
    ...['2026-08-31', '2026-09-30', '2026-10-31', '2026-11-30', '2026-12-13', '2026-12-20'],
    ...[25, 26, 27, 28, 29, 30, 31].map((day) => `2026-12-${day}`),
  ]);
});

it('a workshop that rested for a year keeps what it had', () => {
  const before = Array.from({ length: 7 }, (_, i) => copy(dayAfter('2025-03-01', i)));
  expect(kept(before)).toHaveLength(7);
  expect(kept([...before, copy('2026-06-21')])).toContain('2026-06-21 12:00');
  expect(kept([...before, copy('2026-06-21')])).toHaveLength(7);
});

it('keeps the newest, never more than it says, and keeps them all again when asked twice', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 2000 }), { minLength: 1, maxLength: 300 }), (days) => {
      const copies = days.map((day, i) => ({ ...copy(dayAfter('2024-01-01', day)), id: `${i}` }));
      const once = copiesToKeep(copies);
      const newest = [...copies].sort((a, b) => b.at.localeCompare(a.at))[0]!;
      expect([...once].some((id) => copies[Number(id)]!.at === newest.at)).toBe(true);
      expect(once.size).toBeLessThanOrEqual(KEPT.days + KEPT.weeks + KEPT.months);
      expect(copiesToKeep(copies.filter(({ id }) => once.has(id)))).toEqual(once);
    }),
  );
});
