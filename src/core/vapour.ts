/** Saturation vapour pressure of water, hPa (Magnus formula over water, WMO guide). */
export const saturationHpa = (temperatureC: number): number =>
  6.112 * Math.exp((17.62 * temperatureC) / (243.12 + temperatureC));
