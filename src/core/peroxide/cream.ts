/**
 * Cream to brush on.
 *
 * @param areaCm2 surface to cover, cm²
 * @param filmMm thickness that stays on, mm
 * @param coats how often it is laid on
 * @param tubeMl content of one tube or bottle, mL
 * @returns millilitres and whole tubes
 */
export function creamAmount(
  areaCm2: number,
  filmMm: number,
  coats: number,
  tubeMl: number,
): { creamMl: number; tubes: number } {
  // 1 cm² under a film of 1 mm is 0.1 cm³.
  const creamMl = areaCm2 * filmMm * 0.1 * coats;
  // The tolerance keeps an amount that fills its tubes exactly from opening one more by rounding.
  return { creamMl, tubes: Math.ceil(creamMl / tubeMl - 1e-9) };
}
