import { skyOver } from '@/data/weather';
import { simulatedSky } from '@/simulators/weather/sky';

/**
 * The sky that the whole application counts with: the workshop's own looks and files, and for all other hours an
 * invented one, said to be so wherever a date or a figure rests on it.
 */
export const sky = skyOver((place, from, hours) =>
  Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours)),
);
