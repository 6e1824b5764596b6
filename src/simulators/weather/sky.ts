import type { CloudHour } from '@/core/session/sessions';
import { smoothField } from '../camera/random';

const HOUR_MS = 3_600_000;

const clamp = (value: number) => Math.min(1, Math.max(0, value));

/**
 * A believable sky, the same for the same place and hour: fronts that pass in three to four days, and clouds that grow
 * over the warm hours of the day. It stands in for a weather service; nothing is asked of the network.
 *
 * @returns the covered share of the sky, hour by hour
 */
export function simulatedSky(latitude: number, longitude: number, from: Date, hours: number): CloudHour[] {
  const seed = Math.round(latitude * 10) * 4001 + Math.round(longitude * 10);
  const front = smoothField(seed);
  const puffs = smoothField(seed + 1);
  const first = Math.floor(from.getTime() / HOUR_MS);
  return Array.from({ length: hours }, (_, i) => {
    const hour = first + i;
    const solarHour = (((hour % 24) + longitude / 15 + 24) % 24) - 14;
    const slow = 0.5 + 0.75 * front(hour / 42, 0.5) + 0.35 * front(hour / 13, 7.5);
    const grown = 0.25 * Math.exp(-((solarHour / 4) ** 2)) * (1 - Math.abs(slow - 0.5));
    return {
      at: new Date(hour * HOUR_MS),
      cloud: Math.round(100 * clamp(slow + grown + 0.12 * puffs(hour / 2.3, 3.5))) / 100,
    };
  });
}
