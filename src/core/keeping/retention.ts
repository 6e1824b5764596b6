import { getISOWeek, getISOWeekYear, parseISO } from 'date-fns';

/** So many days, weeks and months have a copy that stays. */
export const KEPT = { days: 7, weeks: 4, months: 12 } as const;

/** A backup, by the day of the workshop it was made on (as `2026-06-21`). */
export interface DatedCopy {
  id: string;
  day: string;
  /** When it was made; of two of a day the later one counts. */
  at: string;
}

/**
 * Which backups stay: all of the newest day, and the newest of each of the last seven days, four weeks and twelve months
 * that have one. Days without any do not count, so that a workshop that rested for a year loses none of its last ones.
 *
 * @returns ids of those that stay
 */
export function copiesToKeep(copies: readonly DatedCopy[]): Set<string> {
  const newestFirst = [...copies].sort((a, b) => b.at.localeCompare(a.at));
  const kept = new Set(newestFirst.filter(({ day }) => day === newestFirst[0]!.day).map(({ id }) => id));
  const firstOfEach = (nameOf: (day: string) => string, most: number) => {
    const seen = new Set<string>();
    for (const { id, day } of newestFirst) {
      const name = nameOf(day);
      if (seen.has(name)) continue;
      if (seen.size === most) break;
      seen.add(name);
      kept.add(id);
    }
  };
  firstOfEach((day) => day, KEPT.days);
  firstOfEach((day) => `${getISOWeekYear(parseISO(day))} ${getISOWeek(parseISO(day))}`, KEPT.weeks);
  firstOfEach((day) => day.slice(0, 7), KEPT.months);
  return kept;
}
