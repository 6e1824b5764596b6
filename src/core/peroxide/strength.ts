import { Refusal } from '../refusal';

/** Molar mass of hydrogen peroxide, g/mol. */
export const PEROXIDE_MOLAR_MASS = 34.0147;
/** Molar volume of an ideal gas at 0 °C and 1013.25 hPa, L/mol. */
export const MOLAR_VOLUME_L = 22.414;
/** Strongest solution that the density table covers, % w/w. */
export const STRONGEST_PERCENT_WW = 50;

/** Density of aqueous hydrogen peroxide at 18 °C, kg/L, by % w/w (handbook values). */
const DENSITY_KG_PER_L: readonly (readonly [number, number])[] = [
  [0, 0.9986],
  [1, 1.0022],
  [2, 1.0058],
  [4, 1.0131],
  [6, 1.0204],
  [8, 1.0277],
  [10, 1.0351],
  [12, 1.0425],
  [14, 1.0499],
  [16, 1.0574],
  [18, 1.0649],
  [20, 1.0725],
  [22, 1.0802],
  [24, 1.088],
  [26, 1.0959],
  [28, 1.104],
  [30, 1.1122],
  [35, 1.1327],
  [40, 1.1536],
  [45, 1.1749],
  [50, 1.1966],
];

export const STRENGTH_UNITS = ['percentWW', 'percentWV', 'volumes', 'molPerL', 'gramsPerL'] as const;
export type StrengthUnit = (typeof STRENGTH_UNITS)[number];

export interface Strength {
  percentWW: number;
  percentWV: number;
  volumes: number;
  molPerL: number;
  gramsPerL: number;
  densityKgPerL: number;
}

/**
 * Density of a peroxide solution, linear between handbook values.
 *
 * @param percentWW 0 to 50 % w/w
 * @returns kg/L at 18 °C
 */
export function peroxideDensity(percentWW: number): number {
  for (let i = 1; i < DENSITY_KG_PER_L.length; i++) {
    const [w0, d0] = DENSITY_KG_PER_L[i - 1]!;
    const [w1, d1] = DENSITY_KG_PER_L[i]!;
    if (percentWW <= w1) return d0 + ((d1 - d0) * (percentWW - w0)) / (w1 - w0);
  }
  throw tooStrong('percentWW');
}

const gramsPerLitre = (percentWW: number) => percentWW * 10 * peroxideDensity(percentWW);

/** The % w/w that holds so many grams in a litre; the density rises with strength, so it is searched. */
function percentOfGrams(gramsPerL: number): number {
  if (gramsPerL > gramsPerLitre(STRONGEST_PERCENT_WW) * (1 + 1e-9)) throw tooStrong('value');
  let low = 0;
  let high = STRONGEST_PERCENT_WW;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (gramsPerLitre(middle) < gramsPerL) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const tooStrong = (field: string) =>
  new Refusal(field, 'Stronger than 50 % by weight is not worked with here. Give a strength of 50 % or less.');

/** Grams in a litre of one unit of each label. A volume is the litres of oxygen that a litre gives off. */
const GRAMS_PER_L: Record<Exclude<StrengthUnit, 'percentWW'>, number> = {
  percentWV: 10,
  volumes: (2 * PEROXIDE_MOLAR_MASS) / MOLAR_VOLUME_L,
  molPerL: PEROXIDE_MOLAR_MASS,
  gramsPerL: 1,
};

/**
 * One peroxide strength in every unit that labels use. 2 H₂O₂ → 2 H₂O + O₂.
 *
 * @param value the number on the label
 * @param unit what the label counts in
 * @throws Refusal over 50 % w/w
 * @example peroxideStrength(40, 'volumes').percentWW // 11.66
 */
export function peroxideStrength(value: number, unit: StrengthUnit): Strength {
  if (unit === 'percentWW' && value > STRONGEST_PERCENT_WW) throw tooStrong('value');
  const percentWW = unit === 'percentWW' ? value : percentOfGrams(value * GRAMS_PER_L[unit]);
  const gramsPerL = gramsPerLitre(percentWW);
  return {
    percentWW,
    percentWV: gramsPerL / GRAMS_PER_L.percentWV,
    volumes: gramsPerL / GRAMS_PER_L.volumes,
    molPerL: gramsPerL / GRAMS_PER_L.molPerL,
    gramsPerL,
    densityKgPerL: peroxideDensity(percentWW),
  };
}
