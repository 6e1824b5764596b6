import { assumed } from '../assumptions/assumptions';

/** Ozone column assumed when nothing better is known, Dobson units. */
const USUAL_OZONE_DU = 300;

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
 * Share of the clear-sky UV index that clouds let through: 1 − a · n^3.08. A closed sky lets more ultraviolet through
 * than light of the whole spectrum, 30 to 50 % of it; at half cloud it is that of Kasten and Czeplak (1980).
 *
 * @param cloudFraction covered share of the sky, 0 to 1
 * @example cloudTransmission(0.5) // 0.929
 */
export function cloudTransmission(cloudFraction: number): number {
  return 1 - (1 - assumed('UV under a closed sky')) * cloudFraction ** CLOUD_POWER;
}

const CLOUD_POWER = 3.08;
/** Share of the clear-sky UV that the beam of a sun overhead has, and what the air scatters out of it on the way. */
const OVERHEAD_BEAM = 0.55;
const SCATTERED = 0.6;

/**
 * Share of the UV on flat ground that comes from the whole sky and not from the sun’s own direction: what is left of the
 * beam falls with the way through the air (Beer and Lambert), to about half with a high sun and nine tenths with a low
 * one; under a closed sky there is no beam.
 *
 * @param elevationDeg height of the sun, degrees
 * @param cloudFraction covered share of the sky, 0 to 1
 * @example diffuseShare(60, 0) // 0.499
 */
export function diffuseShare(elevationDeg: number, cloudFraction: number): number {
  if (elevationDeg <= 0) return 1;
  const longer = 1 / Math.sin((elevationDeg * Math.PI) / 180) - 1;
  return 1 - OVERHEAD_BEAM * Math.exp(-SCATTERED * longer) * (1 - cloudFraction);
}
