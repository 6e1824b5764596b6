/** Ozone column assumed when nothing better is known, Dobson units. */
export const USUAL_OZONE_DU = 300;

/**
 * UV index under a clear sky: 12.5 · sin(elevation)^2.42 · (ozone/300)^−1.23 (Madronich 2007),
 * and 6 % more for each kilometre of altitude.
 *
 * @param elevationDeg height of the sun, degrees
 * @param ozoneDU ozone column, Dobson units
 * @param altitudeM height above the sea, m
 * @returns UV index, 0 with the sun at or under the horizon
 * @example uvIndexClear(60, 300, 0) // 8.83
 */
export function uvIndexClear(elevationDeg: number, ozoneDU = USUAL_OZONE_DU, altitudeM = 0): number {
  if (elevationDeg <= 0) return 0;
  const height = Math.sin((elevationDeg * Math.PI) / 180);
  return 12.5 * height ** 2.42 * (ozoneDU / 300) ** -1.23 * (1 + (0.06 * altitudeM) / 1000);
}

/**
 * Share of the clear-sky UV index that clouds let through: 1 − 0.75 n^3.4 (after Kasten and Czeplak).
 *
 * @param cloudFraction covered share of the sky, 0 to 1
 */
export function cloudTransmission(cloudFraction: number): number {
  return 1 - 0.75 * cloudFraction ** 3.4;
}

/** Share of the clear-sky UV that comes from the whole sky and not from the sun's own direction. */
const CLEAR_DIFFUSE = 0.5;

/** Share of the UV that comes from the whole sky: half of it when clear, all of it when overcast. */
export const diffuseShare = (cloudFraction: number): number => CLEAR_DIFFUSE + (1 - CLEAR_DIFFUSE) * cloudFraction;
