import type { WeatherHour } from '@/core/finish/air';
import { smoothField } from '../camera/random';
import { simulatedSky } from './sky';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/**
 * Believable air under the simulated sky, the same for the same place and hour: warm afternoons, damp nights that bring
 * dew, fronts with rain and gusts, days that are colder than the season. It stands in for a weather service.
 */
export function simulatedAir(latitude: number, longitude: number, from: Date, hours: number): WeatherHour[] {
  const seed = Math.round(latitude * 10) * 4001 + Math.round(longitude * 10) + 77;
  const [mass, damp, gust, shower] = [0, 1, 2, 3].map((i) => smoothField(seed + i)) as [
    ReturnType<typeof smoothField>,
    ReturnType<typeof smoothField>,
    ReturnType<typeof smoothField>,
    ReturnType<typeof smoothField>,
  ];
  return simulatedSky(latitude, longitude, from, hours).map(({ at, cloud }) => {
    const hour = at.getTime() / HOUR_MS;
    const year = ((at.getTime() / DAY_MS - 20) / 365.25) * 2 * Math.PI;
    const far = Math.min(60, Math.abs(latitude));
    const season = 27 - 0.36 * far - Math.sign(latitude) * (0.28 * far) * Math.cos(year);
    const solarHour = (at.getUTCHours() + longitude / 15 + 24) % 24;
    const swing = (7 - 5 * cloud) * Math.cos(((solarHour - 15) / 24) * 2 * Math.PI);
    const airC = season + swing + 4 * mass(hour / 60, 3.5);
    // The water in the air changes with the fronts; how damp it feels goes with its warmth.
    const dewC = season - 6 + 4 * cloud + 3 * damp(hour / 40, 5.5);
    const humid = 100 * Math.exp((17.62 * dewC) / (243.12 + dewC) - (17.62 * airC) / (243.12 + airC));
    const windMs = Math.max(
      0.3,
      1.6 + Math.cos(((solarHour - 14) / 24) * 2 * Math.PI) + 2.2 * gust(hour / 9, 7.5) + 1.2 * cloud,
    );
    const rains = cloud > 0.75 && shower(hour / 5, 1.5) > 0.15;
    return {
      ...{ at, cloud, airC: round(airC), humidityPercent: Math.round(Math.min(100, Math.max(15, humid))) },
      ...{ windMs: round(windMs), rainMm: rains ? round(1.5 * (0.3 + shower(hour / 5, 1.5))) : 0 },
    };
  });
}

const round = (value: number) => Math.round(10 * value) / 10;
