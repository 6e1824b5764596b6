/** A glued joint and what pulls at it. */
export interface Joint {
  /** Where the two faces lie on one another, a plate’s or a sleeve’s added to it. */
  lapAreaMm2: number;
  /** Of this glue on this plastic, in shear. */
  shearStrengthMPa: number;
  loadN: number;
  safetyFactor: number;
}

/**
 * Whether a glued lap bears its load: area × strength against load × safety factor. For shear; peel bears a tenth or less.
 *
 * @returns N and mm²; 1 MPa is 1 N/mm²
 */
export function adhesiveJoint({ lapAreaMm2, shearStrengthMPa, loadN, safetyFactor }: Joint): {
  capacityN: number;
  allowableN: number;
  requiredAreaMm2: number;
  sufficient: boolean;
} {
  const capacityN = lapAreaMm2 * shearStrengthMPa;
  const allowableN = capacityN / safetyFactor;
  return {
    capacityN,
    allowableN,
    requiredAreaMm2: (loadN * safetyFactor) / shearStrengthMPa,
    sufficient: allowableN >= loadN,
  };
}
