import { TZDate, tzOffset } from '@date-fns/tz';
import { UTCDateMini } from '@date-fns/utc';
import { format, startOfDay } from 'date-fns';
import { remembered } from '../remembered';

/** So many instants as are on some twenty pages: they are the same on the next visit. */
const SHOWN = 4000;

/**
 * An instant as the workshop's clock shows it, for reading: `25 Nov 2026, 14:05`. A date in a zone asks for its offset at
 * each of its fields; here it is asked for once, and the fields of the clock are read as those of UTC.
 *
 * @throws RangeError where it is no instant, or no zone
 */
export const showTime = remembered(
  SHOWN,
  (iso: string, timeZone: string, pattern?: string) => `${iso} ${timeZone} ${pattern}`,
  (iso, timeZone, pattern = 'd MMM yyyy, HH:mm') => {
    const at = new Date(iso);
    return format(new UTCDateMini(at.getTime() + tzOffset(timeZone, at) * 60_000), pattern);
  },
);

/** An instant for a `datetime-local` field in the workshop's zone. */
export function toLocalField(iso: string, timeZone: string): string {
  return showTime(iso, timeZone, "yyyy-MM-dd'T'HH:mm");
}

/**
 * The instant of a `datetime-local` field in the workshop's zone; `null` where it is not a time.
 *
 * @example fromLocalField('2026-06-21T10:00', 'Europe/Stockholm') // '2026-06-21T08:00:00.000Z'
 */
export function fromLocalField(text: string, timeZone: string): string | null {
  const found = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)/.exec(text);
  if (!found) return null;
  const [year, month, day, hour, minute] = found.slice(1).map(Number) as [number, number, number, number, number];
  const time = new TZDate(year, month - 1, day, hour, minute, timeZone);
  return Number.isNaN(time.getTime()) ? null : new Date(time.getTime()).toISOString();
}

/** The workshop's day that holds an instant: its first instant, and its length in hours (23 to 25). */
export function dayAround(instant: Date, timeZone: string): { start: Date; hours: number } {
  const start = startOfDay(new TZDate(instant.getTime(), timeZone));
  const next = startOfDay(new TZDate(start.getTime() + 30 * 3_600_000, timeZone));
  return { start: new Date(start.getTime()), hours: (next.getTime() - start.getTime()) / 3_600_000 };
}

/** Whether a name is a time zone that this machine knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** The same for what may last for days: `45 min`, `20 h 00 min`, `4 days`. */
export const showLength = (minutes: number): string =>
  minutes < 2 * 1440 ? showMinutes(minutes) : `${Math.round(minutes / 1440)} days`;

/**
 * Minutes as people say them: `45 min`, `2 h 05 min`.
 *
 * @example showMinutes(95) // '1 h 35 min'
 */
export function showMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')} min`;
}
