import type { AirSource } from '@/core/finish/air';
import { airOver, skyOver } from '@/data/weather';
import { simulatedAir } from '@/simulators/weather/air';
import { simulatedSky } from '@/simulators/weather/sky';

/**
 * The sky that the whole application counts with: the workshop's own looks and files, and for all other hours an
 * invented one, said to be so wherever a date or a figure rests on it.
 */
export const sky = skyOver((place, from, hours) =>
  Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours)),
);

/** The air of the coming hours: out of the workshop's own files, else invented, and said to be so wherever a coat rests on it. */
export const air: AirSource = airOver((place, from, hours) =>
  Promise.resolve(simulatedAir(place.latitude, place.longitude, from, hours)),
);
