import { assumed } from '../assumptions/assumptions';
import type { FadeErrors } from './fade';
import { sunDose, type Place } from '../sun/day';
import type { Obstacle } from '../sun/horizon';
import type { School } from '../session/schools';

/** 1 mW/cm² of UV-A counts as about this much UV index (full sun at index 10 brings 5 to 6 mW/cm²). */
export const UVI_PER_MW_CM2 = 1.8;
/** Warmer than this a bath or box is refused: long thin parts bend from about 60 °C. */
export const HOTTEST_BATH_C = 50;

/** The circumstances of a session that its dose follows from. */
export interface Circumstances {
  place: Place;
  start: Date;
  durationMin: number;
  cloudFraction: number;
  /** What stands in the sun's way. */
  shading: readonly Obstacle[];
  lampMwPerCm2: number;
  temperatureC: number;
}

/**
 * Hours at 25 °C that an hour at a temperature counts for: doubles every 10 °C.
 *
 * @example warmthFactor(35) // 2
 */
export function warmthFactor(temperatureC: number): number {
  return 2 ** ((temperatureC - 25) / 10);
}

/** Dose of a session in the unit its school is driven by: UVI·h under sun or lamp, hours at 25 °C in vapour. */
export function sessionDose(school: School, at: Circumstances): number {
  const hours = Math.max(0, at.durationMin) / 60;
  switch (school.driver) {
    case 'sun':
      return sunDose(at.place, at.start, at.durationMin, school.transmission, at.cloudFraction, at.shading);
    case 'lamp':
      return hours * at.lampMwPerCm2 * UVI_PER_MW_CM2 * school.transmission;
    case 'warmth':
      return hours * warmthFactor(at.temperatureC);
  }
}

const DOSE_ERROR = { sun: 'dose of the sun', lamp: 'dose of a lamp', warmth: 'dose of warmth' } as const;

/** How much a dose of a way may be off, as a share of it, and b* that its fade may come to rest off the target. */
export const errorsOf = ({ driver }: Pick<School, 'driver'>): Pick<FadeErrors, 'doseSdShare' | 'targetSd'> => ({
  doseSdShare: assumed(DOSE_ERROR[driver]),
  targetSd: assumed('rest off the target'),
});

/** What the doses of a way are counted in. */
export const doseUnit = (school: School) => (school.driver === 'warmth' ? 'h at 25 °C' : 'UVI·h');
