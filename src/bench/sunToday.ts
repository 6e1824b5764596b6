import { placeOf } from '@/data/workshop';
import { ozoneAt } from '@/core/sun/ozone';
import { assumed, assumedLine } from '@/core/assumptions/assumptions';
import { cloudAt, type CloudHour, type SkySource } from '@/core/session/sessions';
import { dayAround, showTime } from '@/core/runsheet/time';
import { SKY_HERE, skyKnown, type SkyKnown } from '@/core/sun/skyKnown';
import { worthStretch } from '@/core/sun/worthStretch';
import { sunDay, type Place, type SunDay } from '@/core/sun/day';
import type { Workshop } from '@/data/rows';
import type { NamedTimer } from '@/data/timers';

export interface SunToday {
  day: SunDay;
  place: Place;
  /** What runs or is planned today. */
  bars: { label: string; from: string; to: string }[];
  /** The stretch to come that is worth putting plastic out. */
  worth: { from: string; to: string } | null;
  words: string;
  /** How the highest UV index of the day comes about. */
  working: { what: string; how: string }[];
}

/** Less difference of the UV index than this is not worth a word. */
const SEEN_UVI = 0.5;

/** Whether the day had its sun, and all of it is over. */
const hasSet = ({ samples }: SunDay, now: Date): boolean =>
  samples.some(({ uvIndexClear }) => uvIndexClear > 0) &&
  !samples.some(({ time, uvIndexClear }) => Date.parse(time) > now.getTime() && uvIndexClear > 0);

/**
 * The sun at the workshop under the sky that all plans count with: today's, or tomorrow's after sunset; `null` before it
 * has a place.
 */
export async function sunToday(
  workshop: Workshop,
  timers: readonly NamedTimer[],
  sky: SkySource,
  now: Date,
): Promise<SunToday | null> {
  const { timeZone } = workshop;
  const place = placeOf(workshop);
  if (!place) return null;
  const dayOf = async (within: Date) => {
    const { start, hours } = dayAround(within, timeZone);
    const clouds = await sky(place, start, hours);
    return { start, hours, clouds, day: sunDay(place, start, hours, (at) => cloudAt(clouds, at)) };
  };
  const today = await dayOf(now);
  const isOver = hasSet(today.day, now);
  const { start, hours, clouds, day } = isOver
    ? await dayOf(new Date(today.start.getTime() + (today.hours + 1) * 3_600_000))
    : today;
  const from = isOver ? start : now;
  const until = start.getTime() + hours * 3_600_000;
  const within = (time: string) => new Date(Math.min(until, Math.max(start.getTime(), Date.parse(time)))).toISOString();
  const bars = timers
    .map(({ label, startedAt, dueAt, plannedTo }) => ({
      label: `${label.split(':')[0]!}${plannedTo ? ', planned' : ''}`,
      from: plannedTo ? dueAt : startedAt,
      to: plannedTo ?? dueAt,
    }))
    // What is for another day does not run through this one; what lasts longer runs to its end.
    .filter(({ from, to }) => Date.parse(from) < until && Date.parse(to) > start.getTime())
    .map(({ label, from, to }) => ({ label, from: within(from), to: within(to) }));
  const known = skyLeft(day, clouds, from);
  return {
    day,
    place,
    bars,
    worth: worthStretch(day.samples, from),
    words: `${isOver ? 'Tomorrow: ' : ''}${sunWords(day, known, timeZone, from)}`,
    working: sunWorking(day, place, clouds, known, timeZone),
  };
}

/** How much is known of the sky over the light that is left of the day. */
function skyLeft({ samples }: SunDay, clouds: readonly CloudHour[], now: Date): SkyKnown {
  const light = samples.filter(({ uvIndexClear }) => uvIndexClear > 0).map(({ time }) => Date.parse(time));
  const [first, last] = [light[0] ?? 0, light[light.length - 1] ?? 0];
  return skyKnown(clouds, new Date(Math.min(Math.max(first, now.getTime()), last)), new Date(last));
}

function sunWorking(
  { kind, samples }: SunDay,
  place: Place,
  clouds: readonly CloudHour[],
  known: SkyKnown,
  timeZone: string,
): SunToday['working'] {
  if (kind === 'polar night') return [];
  const { time, elevationDeg, uvIndexClear, uvIndex } = samples.reduce((best, sample) =>
    sample.uvIndex > best.uvIndex ? sample : best,
  );
  const cloud = cloudAt(clouds, new Date(time));
  const { altitudeM = 0, ozoneDU = ozoneAt(place.latitude, place.longitude, new Date(time)) } = place;
  return [
    {
      what: `Clear sky at ${showTime(time, timeZone, 'HH:mm')}`,
      how: `12.5 × sin(${elevationDeg.toFixed(1)}°)^2.42 × (1 + 0.06 × ${(altitudeM / 1000).toFixed(2)} km) × (${Math.round(ozoneDU)}/300)^−1.23 × ${(1 - (place.hazeShare ?? 0)).toFixed(2)} for haze = ${uvIndexClear.toFixed(1)}; the ozone is ${place.ozoneDU === undefined ? 'that of the latitude and the day, Van Heuklon (1979)' : 'as the workshop states it'}`,
    },
    {
      what: `Under ${SKY_HERE[known]}`,
      how: `× (1 − ${(1 - assumed('UV under a closed sky')).toFixed(2)} × ${cloud.toFixed(2)}^3.08), the share of the sky that is covered in that hour, = ${uvIndex.toFixed(1)}`,
    },
    assumedLine(['worth putting out', 'worth the setting up']),
    {
      what: 'Worth putting out',
      how: `the longest stretch to come with a UV index of ${assumed('worth putting out')} or more, ${assumed('worth the setting up')} h at least`,
    },
  ];
}

/** What the sun allows today, in words. */
function sunWords({ kind, samples, highestUvIndex }: SunDay, known: SkyKnown, timeZone: string, now: Date): string {
  if (kind === 'polar night') return 'The sun does not rise today.';
  const clear = Math.max(...samples.map(({ uvIndexClear }) => uvIndexClear));
  const lost = clear - highestUvIndex >= SEEN_UVI ? ` (${clear.toFixed(1)} were it clear)` : '';
  const highest = `UV index up to ${highestUvIndex.toFixed(1)} under ${SKY_HERE[known]}${lost}.`;
  const worth = worthStretch(samples, now);
  if (worth) {
    const hour = (iso: string) => showTime(iso, timeZone, 'HH:mm');
    return `${highest} Worth putting plastic out from ${hour(worth.from)} to ${hour(worth.to)}.`;
  }
  return `${highest} ${worthStretch(samples, new Date(0)) ? 'The best of it is over for today.' : 'Too weak for a sunny session; think of a lamp or vapour.'}`;
}
