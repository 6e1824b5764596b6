import { assumed } from '../assumptions/assumptions';
import type { Band } from '../fade/fade';
import { Refusal } from '../refusal';
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
}

/**
 * What a bottle really holds, by the gas that a sample gives off with a pinch of yeast: 2 H₂O₂ → 2 H₂O + O₂.
 *
 * @throws Refusal for more gas than the strongest solution gives
 */
export function strengthByGas({ sampleMl, gasMl, gasC, pressureHPa }: GasTest): number {
  const oxygenMol = (gasMl / 1000 / MOLAR_VOLUME_L) * (273.15 / (gasC + 273.15)) * (pressureHPa / 1013.25);
  return peroxideStrength((2 * oxygenMol * PEROXIDE_MOLAR_MASS) / (sampleMl / 1000), 'gramsPerL').percentWW;
}
