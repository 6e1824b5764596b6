const RAD = Math.PI / 180;
const DAY_MS = 86_400_000;
/** Less than this is not expected away from the ozone hole, Dobson units. */
const LEAST_DU = 260;

/** Constants of each half of the earth, in the letters of the paper. */
const HALVES = {
  north: { A: 150, B: 1.28, C: 40, F: -30, G: 20, H: 3 },
  south: { A: 100, B: 1.5, C: 30, F: 152.625, G: 20, H: 2 },
} as const;
/** Mean of the equator, and degrees of the year in a day. */
const [J, D] = [235, 0.9865];

/**
 * Ozone column that a place has on the average on a day of the year: Van Heuklon, Estimating atmospheric ozone for solar
 * radiation models, Solar Energy 22 (1979); never under 260 DU. Days differ from it by a tenth and more.
 *
 * @param latitude degrees, north positive
 * @param longitude degrees, east positive
 * @param time any instant of the day
 * @returns Dobson units
 * @example ozoneAt(0, 0, new Date('2026-06-21T12:00:00Z')) // 260
 */
export function ozoneAt(latitude: number, longitude: number, time: Date): number {
  const north = latitude >= 0;
  const { A, B, C, F, G, H } = HALVES[north ? 'north' : 'south'];
  const I = north ? (longitude > 0 ? 20 : 0) : -75;
  const day = Math.floor((time.getTime() - Date.UTC(time.getUTCFullYear(), 0, 1)) / DAY_MS) + 1;
  const swing = A + C * Math.sin(D * (day + F) * RAD) + G * Math.sin(H * (longitude + I) * RAD);
  return Math.max(LEAST_DU, J + swing * Math.sin(B * latitude * RAD) ** 2);
}
