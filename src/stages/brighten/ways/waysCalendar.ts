import type { Way } from '@/core/choice/compare';
import { cloudAt, type CloudHour } from '@/core/session/sessions';
import { sunAndUv, type Place } from '@/core/sun/day';

/** A stretch on the calendar, in shares of its length. */
interface Stretch {
  from: number;
  to: number;
}

/** A way as it lies on the calendar. */
export interface WayOnCalendar {
  school: Way['school'];
  title: string;
  /** When it is in the light, or soaks. */
  at: Stretch[];
  /** From its usual end to that of a slow piece; `null` where that is no wider. */
  late: Stretch | null;
  /** Whether it can be done with what is on the shelf, on this piece. */
  open: boolean;
}

/** A day of the calendar: its date, and the share of a clear high-summer day's ultraviolet that its sky lets through. */
export interface SkyDay {
  at: string;
  uvHours: number;
  cloud: number;
}

const DAY_MS = 86_400_000;

const share = (now: Date, days: number) => (iso: string) =>
  Math.max(0, Math.min(1, (Date.parse(iso) - now.getTime()) / (days * DAY_MS)));

/** Every way on one calendar of the coming days: sessions in the sun as they lie, a lamp or bath from now until it is done. */
export function waysOnCalendar(ways: readonly Way[], now: Date, days: number): WayOnCalendar[] {
  const at = share(now, days);
  return ways
    .filter(({ school }) => school !== 'leave-it')
    .map(({ school, title, sun, finish, finishSlow, missing, blocked }) => ({
      school,
      title,
      at: sun
        ? sun.sessions.map(({ from, to }) => ({ from: at(from), to: at(to) }))
        : finish && Date.parse(finish) > now.getTime()
          ? [{ from: 0, to: at(finish) }]
          : [],
      late: finish && finishSlow && finishSlow > finish ? { from: at(finish), to: at(finishSlow) } : null,
      open: missing.length === 0 && blocked.length === 0,
    }));
}

/** The sky over the calendar, a day at a time: hours of UV index under its cloud, and its cloud while the sun is up. */
export function skyOverDays(place: Place | null, clouds: readonly CloudHour[], now: Date, days: number): SkyDay[] {
  if (!place) return [];
  return Array.from({ length: days }, (_, day) => {
    const begins = now.getTime() + day * DAY_MS;
    let [uvHours, lit, covered] = [0, 0, 0];
    for (let hour = 0; hour < 24; hour++) {
      const time = new Date(begins + (hour + 0.5) * 3_600_000);
      const cloud = cloudAt(clouds, time);
      const sun = sunAndUv(place, time, cloud);
      uvHours += sun.uvIndex;
      if (sun.elevationDeg > 0) {
        lit += 1;
        covered += cloud;
      }
    }
    return { at: new Date(begins).toISOString(), uvHours, cloud: lit === 0 ? 1 : covered / lit };
  });
}
