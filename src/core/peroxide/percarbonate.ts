/** Peroxide and active oxygen in pure sodium percarbonate, 2 Na₂CO₃·3 H₂O₂ (M 314.02), by mass. */
export const PEROXIDE_SHARE = 0.325;
const ACTIVE_OXYGEN_SHARE = 0.153;

export interface PercarbonateBath {
  peroxidePercentWV: number;
  activeOxygenGrams: number;
}

/**
 * What oxygen-bleach powder gives in water once it is all dissolved.
 *
 * @param powderGrams powder as it comes, g
 * @param percarbonateMassFraction share of it that is percarbonate, 0 to 1: on the label
 * @param waterL litres of water
 */
export function percarbonateBath(
  powderGrams: number,
  percarbonateMassFraction: number,
  waterL: number,
): PercarbonateBath {
  const percarbonate = powderGrams * percarbonateMassFraction;
  return {
    peroxidePercentWV: (percarbonate * PEROXIDE_SHARE) / (10 * waterL),
    activeOxygenGrams: percarbonate * ACTIVE_OXYGEN_SHARE,
  };
}

/**
 * Powder for a strength wanted, g.
 *
 * @example powderFor(1, 0.5, 2) // 123.1
 */
export const powderFor = (peroxidePercentWV: number, percarbonateMassFraction: number, waterL: number): number =>
  (10 * waterL * peroxidePercentWV) / (PEROXIDE_SHARE * percarbonateMassFraction);
