import { assumed } from '../assumptions/assumptions';
import { TZDate } from '@date-fns/tz';
import { addDays, addMinutes, startOfDay } from 'date-fns';
import { remembered } from '../remembered';

/** When somebody is there on a day, in hours of the clock: 17.5 is half past five. */
export interface DayHours {
  fromH: number;
  toH: number;
}

/** Monday to Sunday; `null` where nobody is there. */
export type WeekHours = readonly (DayHours | null)[];

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** The same hours every day. */
export const everyDay = (fromH: number, toH: number): WeekHours => WEEKDAYS.map(() => ({ fromH, toH }));

const CLOCK = /^(\d{1,2})(?:[:.h]([0-5]\d)?)?$/;

function clockHour(text: string): number | null {
  const found = CLOCK.exec(text.trim());
  if (!found) return null;
  const hour = Number(found[1]) + Number(found[2] ?? 0) / 60;
  return hour <= 24 ? hour : null;
}

/**
 * Hours as people write them; an empty line is a day off.
 *
 * @returns `undefined` for what is no span of a day
 * @example hoursFrom('17:30 to 21') // { fromH: 17.5, toH: 21 }
 */
export function hoursFrom(text: string): DayHours | null | undefined {
  if (text.trim() === '') return null;
  const [from, to, ...rest] = text.split(/\s*(?:to|until|–|—|-)\s*/i).map(clockHour);
  if (rest.length > 0 || from == null || to == null || to <= from) return undefined;
  return { fromH: from, toH: to };
}

const clockWords = (hour: number): string =>
  `${Math.floor(hour)}:${String(Math.round(60 * (hour % 1))).padStart(2, '0')}`;

/** Hours as they are typed: `17:30 to 21:00`. */
export const hoursWords = (hours: DayHours | null): string =>
  hours ? `${clockWords(hours.fromH)} to ${clockWords(hours.toH)}` : '';

interface Span {
  from: Date;
  to: Date;
}

/** So many ways of asking are kept: a day, how many after it, whose hours. */
const KEPT_DAYS = 200;

/** Somebody's hours on a day and those after it, whole. A date in a zone is slow; each page asks for the same fortnight. */
const wholeDays = remembered(
  KEPT_DAYS,
  (today: TZDate, timeZone: string, week: WeekHours, days: number) =>
    [today.getTime(), timeZone, days, JSON.stringify(week)].join(' '),
  (today, timeZone, week, days) =>
    Array.from({ length: days }, (_, i): { from: number; to: number } | null => {
      const day = addDays(today, i);
      const hours = week[(day.getDay() + 6) % 7];
      if (!hours) return null;
      const clock = (at: number) => {
        const minute = Math.round(60 * (at % 1));
        return addMinutes(
          new TZDate(day.getFullYear(), day.getMonth(), day.getDate(), Math.floor(at), 0, timeZone),
          minute,
        ).getTime();
      };
      return { from: clock(hours.fromH), to: clock(hours.toH) };
    }).filter((span) => span !== null),
);

/**
 * Somebody's hours on the coming days, in the workshop's zone; what is left of today comes first. Over a change of the
 * clocks they stay at the hours that the clock shows.
 *
 * @param days how many are looked at, today included
 */
export function hoursOfDays(now: Date, timeZone: string, week: WeekHours, days: number): Span[] {
  return wholeDays(startOfDay(new TZDate(now.getTime(), timeZone)), timeZone, week, days)
    .map(({ from, to }) => ({ from: new Date(Math.max(now.getTime(), from)), to: new Date(to) }))
    .filter(({ from, to }) => from < to);
}

const WEEK_DAYS = 8;

/**
 * When a bell may ring: at its time while somebody is there, by the hours or because somebody was there just before;
 * else when the next hours begin. Without any hours it rings at its time.
 *
 * @param since when it was begun or last attended to
 */
export function bellTime(at: Date, since: Date, timeZone: string, week: WeekHours): Date {
  if (at.getTime() - since.getTime() <= 3_600_000 * assumed('still there')) return at;
  return hoursOfDays(at, timeZone, week, WEEK_DAYS)[0]?.from ?? at;
}
