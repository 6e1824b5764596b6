import { skyOver } from '@/data/weather';
import { simulatedSky } from '@/simulators/weather/sky';

/**
 * The sky that the whole application counts with: the workshop's own looks and files, and for all other hours the
 * forecast. The one that ships is simulated; a service on the network would stand in its place here.
 */
export const sky = skyOver((place, from, hours) => Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours)));
