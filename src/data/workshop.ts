import type { ObstacleRow, Workshop } from './rows';
import { findRow, findRows } from './table';
import { everyDay } from '@/core/runsheet/hours';

export const ONLY = 'workshop';

/** What a workshop is before anybody has said anything. */
export const NEW_WORKSHOP: Workshop = {
  id: ONLY,
  name: 'My workshop',
  latitude: null,
  longitude: null,
  altitudeM: 0,
  timeZone: 'UTC',
  units: 'metric',
  currency: 'EUR',
  hourlyRateMinor: 0,
  hours: everyDay(9, 18),
  lampMwPerCm2: 0,
};

/** The workshop's settings. */
export async function getWorkshop(): Promise<Workshop> {
  return (await findRow('workshop', ONLY)) ?? NEW_WORKSHOP;
}

/** What stands in the sun's way, from the north clockwise. */
export const listObstacles = (): Promise<ObstacleRow[]> => findRows('obstacles', {}, [['fromDeg', 'ASC']]);
