/** Magnus, over water: dimensionless and °C. */
const A = 17.62;
const B = 243.12;

/**
 * Dew point of air by Magnus.
 *
 * @example dewPoint({ temperatureC: 20, relativeHumidityPercent: 50 }) // { dewPointC: 9.26 }
 */
export function dewPoint({
  temperatureC,
  relativeHumidityPercent,
}: {
  temperatureC: number;
  relativeHumidityPercent: number;
}): { dewPointC: number } {
  const g = Math.log(relativeHumidityPercent / 100) + (A * temperatureC) / (B + temperatureC);
  return { dewPointC: (B * g) / (A - g) };
}
