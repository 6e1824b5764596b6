import { assumed } from '@/core/assumptions/assumptions';
import type { ObstacleRow, Workshop } from './rows';
import { findRow, findRows } from './table';
import type { Place } from '@/core/sun/day';
import { everyDay } from '@/core/runsheet/hours';

export const ONLY = 'workshop';

/** What a workshop is before anybody has said anything. */
export const NEW_WORKSHOP: Workshop = {
  id: ONLY,
  name: 'My workshop',
  latitude: null,
  longitude: null,
  altitudeM: 0,
  ozoneDU: null,
  timeZone: 'UTC',
  units: 'metric',
  currency: 'EUR',
  hourlyRateMinor: 0,
  hours: everyDay(9, 18),
  lampMwPerCm2: 0,
  things: null,
};

/** The workshop's settings. */
export async function getWorkshop(): Promise<Workshop> {
  return (await findRow('workshop', ONLY)) ?? NEW_WORKSHOP;
}

/** Where the sun is worked out for; `null` as long as nobody has said where the workshop stands. */
export function placeOf({ latitude, longitude, altitudeM, ozoneDU }: Workshop): Place | null {
  if (latitude === null || longitude === null) return null;
  return { latitude, longitude, altitudeM, hazeShare: assumed('haze'), ...(ozoneDU !== null && { ozoneDU }) };
}

/** What stands in the sun's way, from the north clockwise. */
export const listObstacles = (): Promise<ObstacleRow[]> => findRows('obstacles', {}, [['fromDeg', 'ASC']]);
