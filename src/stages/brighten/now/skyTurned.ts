import { SCHOOL } from '@/core/session/schools';
import { windowNow, type WindowNow } from '@/core/session/sessions';
import { skyKnown, type SkyKnown } from '@/core/sun/skyKnown';
import { hoursOfDays } from '@/core/runsheet/hours';
import type { PlannedSession } from '@/data/planned';
import { getWorkshop } from '@/data/workshop';
import { DAYS, type WaysView } from '../ways/ways';

export interface TurnedSky extends WindowNow {
  timerId: string;
  better: NonNullable<WindowNow['better']>;
}

/** What is known of the sky of each planned session in the sun, by the id of its bell. */
export const skiesOf = (planned: readonly PlannedSession[], ways: WaysView | null): Partial<Record<string, SkyKnown>> =>
  Object.fromEntries(
    planned
      .filter(({ school }) => SCHOOL[school].driver === 'sun')
      .map(({ timerId, from, to }) => [timerId, skyKnown(ways?.clouds ?? [], new Date(from), new Date(to))]),
  );

/** Whether the sky has turned since a session was planned, so that another window brings clearly more; `null` where not. */
export async function skyTurned(
  planned: PlannedSession | null,
  ways: WaysView | null,
  now: Date,
): Promise<TurnedSky | null> {
  const last = ways?.clouds[ways.clouds.length - 1];
  if (!planned || !ways?.place || !last || SCHOOL[planned.school].driver !== 'sun') return null;
  const [from, to] = [new Date(planned.from), new Date(planned.to)];
  // Once it is open it is open, and of the far sky nobody knows.
  if (from <= now || to > last.at) return null;
  const { timeZone, hours } = await getWorkshop();
  const { dose, better } = windowNow(
    {
      place: ways.place,
      shading: ways.shading,
      clouds: ways.clouds,
      hours: hoursOfDays(now, timeZone, hours, DAYS),
      transmission: SCHOOL[planned.school].transmission,
    },
    { from, to },
  );
  return better && { timerId: planned.timerId, dose, better };
}
