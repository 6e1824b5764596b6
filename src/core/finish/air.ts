import { assumed } from '../assumptions/assumptions';
import { sunPosition } from '../sun/position';
import type { AirHour } from './coat';

/** What a weather service says of an hour. */
export interface WeatherHour {
  at: Date;
  cloud: number;
  airC: number;
  humidityPercent: number;
  windMs: number;
  rainMm: number;
  /** Warmth and damp of it are the workshop’s own, out of a file; else they are invented. */
  own?: boolean;
}

/** Where the air of the coming hours comes from. */
export type AirSource = (
  place: { latitude: number; longitude: number },
  from: Date,
  hours: number,
) => Promise<WeatherHour[]>;

/**
 * The warmth of a pale surface under an open sky: colder than the air on a clear night, warmer in the sun.
 *
 * @param elevationDeg of the sun; below 0 it is night
 * @example surfaceUnder({ airC: 10, cloud: 1 }, -20); // 10
 */
export function surfaceUnder({ airC, cloud }: Pick<WeatherHour, 'airC' | 'cloud'>, elevationDeg: number): number {
  if (elevationDeg <= 0) return airC - (1 - cloud) * assumed('surface under a clear night');
  return airC + (1 - cloud) * assumed('surface in the sun') * Math.sin((elevationDeg * Math.PI) / 180);
}

/**
 * Hours under an open sky as a coat meets them.
 *
 * @param shade the piece stands in the shade: no sun warms it
 */
export const outdoors = (
  hours: readonly WeatherHour[],
  place: { latitude: number; longitude: number },
  shade: boolean,
): AirHour[] =>
  hours.map((hour) => {
    const { elevationDeg } = sunPosition(hour.at, place.latitude, place.longitude);
    return { ...hour, surfaceC: surfaceUnder(hour, shade ? Math.min(elevationDeg, 0) : elevationDeg) };
  });

/** The same hours in a room that is read once: neither wind nor rain, and the air as the meters say it stays. */
export const indoors = (
  from: Date,
  count: number,
  read: Pick<AirHour, 'airC' | 'surfaceC' | 'humidityPercent'>,
): AirHour[] =>
  Array.from({ length: count }, (_, i) => ({
    ...{ ...read, windMs: 0, rainMm: 0 },
    at: new Date(from.getTime() + i * 3_600_000),
  }));
