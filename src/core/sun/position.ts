import { getPosition } from 'suncalc';

export interface SunPosition {
  /** Height over the horizon, degrees; negative below it. */
  elevationDeg: number;
  /** Direction, degrees clockwise from north. */
  azimuthDeg: number;
}

/**
 * Where the sun stands.
 *
 * @param time any instant
 * @param latitude degrees, north positive
 * @param longitude degrees, east positive
 */
export function sunPosition(time: Date, latitude: number, longitude: number): SunPosition {
  const { altitude, azimuth } = getPosition(time, latitude, longitude);
  return { elevationDeg: altitude, azimuthDeg: ((azimuth % 360) + 360) % 360 };
}
