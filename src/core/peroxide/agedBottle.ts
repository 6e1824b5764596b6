import { assumed } from '../assumptions/assumptions';
import type { Band } from '../fade/fade';
import { Refusal } from '../refusal';
import { saturationHpa } from '../vapour';
import { MOLAR_VOLUME_L, PEROXIDE_MOLAR_MASS, peroxideStrength } from './strength';

const USUAL_C = 20;

export interface AgedBottle {
  /** Months since it was made, and of them with its seal broken. */
  months: number;
  openMonths: number;
  /** Where it stands, °C. */
  storageC: number;
}

/**
 * What an old bottle still holds: an estimate. It decays as a share a year, twice as fast each 10 °C warmer, and much
 * faster once it is open and dust gets in.
 *
 * @param percentWW of its label
 * @throws Refusal where it was open for longer than it exists
 */
export function agedStrength(percentWW: number, { months, openMonths, storageC }: AgedBottle): Band {
  if (openMonths > months)
    throw new Refusal('openMonths', 'It cannot have been open for longer than it exists. Give the months of both.');
  const years = (assumed('a closed bottle') * (months - openMonths) + assumed('an open bottle') * openMonths) / 12;
  const decay = years * 2 ** ((storageC - USUAL_C) / 10);
  const left = (factor: number) => percentWW * Math.exp(-decay * factor);
  return {
    low: left(assumed('doubt about a bottle')),
    median: left(1),
    high: left(1 / assumed('doubt about a bottle')),
  };
}

/** Gas of a sample, mL of oxygen at a temperature and pressure. */
export interface GasTest {
  sampleMl: number;
  gasMl: number;
  gasC: number;
  pressureHPa: number;
  /** Caught over water: part of what was caught is its vapour. */
  overWater: boolean;
}

/** A kitchen measure is read to so much of itself, 5 % to 95 %; and so much of the gas stays in the water or is not set free. */
const READ_SHARE = 0.05;
const KEPT_SHARE = 0.04;

/**
 * What a bottle really holds, by the gas that a sample gives off with a pinch of yeast: 2 H₂O₂ → 2 H₂O + O₂, ideal gas,
 * less the water vapour where it is caught over water. The band is that of measures read by eye, and of the gas that
 * stays in the water.
 *
 * @throws Refusal for more gas than the strongest solution gives
 */
export function strengthByGas({ sampleMl, gasMl, gasC, pressureHPa, overWater }: GasTest): Band {
  const dryHPa = pressureHPa - (overWater ? saturationHpa(gasC) : 0);
  const oxygenMol = (gasMl / 1000 / MOLAR_VOLUME_L) * (273.15 / (gasC + 273.15)) * (dryHPa / 1013.25);
  const gramsPerL = (2 * oxygenMol * PEROXIDE_MOLAR_MASS) / (sampleMl / 1000);
  const percent = (share: number) => peroxideStrength(gramsPerL * share, 'gramsPerL').percentWW;
  const read = Math.SQRT2 * READ_SHARE;
  // The ends may lie over what there is: the middle may not.
  const median = percent(1);
  return { low: median * (1 - read), median, high: median * (1 + read + KEPT_SHARE) };
}
