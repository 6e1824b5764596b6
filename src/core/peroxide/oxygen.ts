import { MOLAR_VOLUME_L, PEROXIDE_MOLAR_MASS, peroxideStrength } from './strength';

/**
 * Litres of oxygen that a solution releases if all of it decomposes: 2 H₂O₂ → 2 H₂O + O₂, ideal gas.
 *
 * @param percentWW strength, 0 to 50 % w/w
 * @param volumeL litres of solution
 * @param temperatureC of the gas, °C
 * @param pressureHPa of the air, hPa
 * @returns litres of oxygen at that temperature and pressure
 * @example oxygenRelease(12, 1, 20, 1013.25) // 44.2
 */
export function oxygenRelease(percentWW: number, volumeL: number, temperatureC: number, pressureHPa: number): number {
  const peroxideMol = (volumeL * peroxideStrength(percentWW, 'percentWW').gramsPerL) / PEROXIDE_MOLAR_MASS;
  return (peroxideMol / 2) * MOLAR_VOLUME_L * ((temperatureC + 273.15) / 273.15) * (1013.25 / pressureHPa);
}
