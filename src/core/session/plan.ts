import { assumed } from '../assumptions/assumptions';
import { type Circumstances, HOTTEST_BATH_C, doseUnit, sessionDose } from '../fade/dose';
import type { Band, ExposedSession, FadeErrors, Forecast, ForecastInput } from '../fade/fade';
import { exposureForecast } from '../fade/forecast';
import { type Caution, caution, cautionsForPeroxide } from '../peroxide/cautions';
import { creamAmount } from '../peroxide/cream';
import { type Dilution, peroxideDilution } from '../peroxide/dilution';
import { oxygenRelease } from '../peroxide/oxygen';
import { powderFor } from '../peroxide/percarbonate';
import { Refusal } from '../refusal';
import { type UnitSystem, amountWords, pouredWords } from '../units';
import { FILM_MM, PURE_POWDER_PERCENT } from './amounts';
import { type School, priorOf } from './schools';

/** How far a piece is and what it has had; `null` before it is measured. */
export interface Yellow extends Partial<FadeErrors> {
  startB: number;
  targetB: number;
  sessions: readonly ExposedSession[];
  measurementSd: number;
}

export interface PlanInput extends Circumstances {
  school: School;
  stockPercentWW: number;
  /** What is left in the bottle or tub, mL or g; `null` where nobody knows, or nothing is taken out of it. */
  stockLeft?: number | null;
  /** Liquid and powder: strength and litres wanted; of powder `stockPercentWW` is the peroxide that it sets free. */
  targetPercentWW: number;
  volumeL: number;
  /** Cream schools: surface to cover. */
  areaCm2: number;
  toleranceB: number;
  yellow: Yellow | null;
  /** What the workshop’s past pieces say of the rate at the usual strength; without it the starting guess of the school. */
  prior?: ForecastInput['prior'];
  /** What amounts in its notes are said in. */
  units?: UnitSystem;
}

export interface ExposurePlan {
  percentWW: number;
  /** `null` for cream, which is used as it is. */
  dilution: Dilution | null;
  creamMl: number | null;
  /** Powder to stir in, g; `null` for what is not powder. */
  powderG: number | null;
  /** Solution that the piece lies in or over, L; `null` for cream. */
  solutionL: number | null;
  /** Product used, mL of the bottle or g of powder. */
  stockMl: number;
  oxygenL: number;
  dose: number;
  doseUnit: string;
  forecast: Forecast | null;
  /** b* expected after this session. */
  afterB: Band | null;
  /** Hours like these until the target, and sessions like this one. */
  hoursToGo: Band | null;
  sessionsToGo: Band | null;
  cautions: Caution[];
  notes: string[];
}

/** Air that the oxygen is counted at. */
const AIR = { temperatureC: 20, pressureHPa: 1013.25 };

/**
 * One exposure thought through before it starts: what to mix, what gas it gives, the dose of its window,
 * where the yellow should stand after it, and how many more like it the target takes.
 *
 * @throws Refusal for strengths, temperatures and targets that are not to be worked with
 */
export function planExposure(input: PlanInput): ExposurePlan {
  const { school, stockPercentWW, yellow, units = 'metric' } = input;
  const degrees = (c: number) => amountWords(c, '°C', 0, units);
  if (input.temperatureC > HOTTEST_BATH_C)
    throw new Refusal(
      'temperatureC',
      `${degrees(input.temperatureC)} is too hot: long thin parts bend. Stay at ${degrees(HOTTEST_BATH_C)} or below; shade or vent it.`,
    );
  const cream = school.medium === 'cream';
  const percentWW = cream ? stockPercentWW : input.targetPercentWW;
  const [weakest, strongest] = school.percentRangeWW;
  if (percentWW > strongest + 0.5)
    throw new Refusal(
      cream ? 'strengthValue' : 'targetPercentWW',
      `${school.title} is worked with at ${weakest} to ${strongest} %. ${percentWW.toFixed(1)} % is stronger than that; choose a weaker one.`,
    );
  const powder = school.medium === 'powder';
  const dilution = cream || powder ? null : peroxideDilution(stockPercentWW, percentWW, input.volumeL);
  const creamMl = cream ? creamAmount(input.areaCm2, FILM_MM, 1, 100).creamMl : null;
  const powderG = powder ? powderFor(percentWW, stockPercentWW / PURE_POWDER_PERCENT, input.volumeL) : null;
  const stockMl = dilution ? dilution.stockVolumeL * 1000 : (powderG ?? creamMl!);
  const solutionL = cream ? null : input.volumeL;
  const dose = sessionDose(school, input);
  const forecast =
    yellow &&
    exposureForecast({
      ...yellow,
      toleranceB: input.toleranceB,
      prior: priorOf(school, percentWW, input.prior),
      nextDose: dose,
    });
  const per = (band: Band, unit: number): Band => ({
    low: band.low / unit,
    median: band.median / unit,
    high: band.high / unit,
  });
  const hours = input.durationMin / 60;
  return {
    percentWW,
    dilution,
    creamMl,
    powderG,
    solutionL,
    stockMl,
    oxygenL: oxygenRelease(percentWW, solutionL ?? creamMl! / 1000, AIR.temperatureC, AIR.pressureHPa),
    dose,
    doseUnit: doseUnit(school),
    forecast,
    afterB: forecast && forecast.nextB,
    hoursToGo: forecast && dose > 0 ? per(forecast.doseToGo, dose / hours) : null,
    sessionsToGo: forecast && dose > 0 ? per(forecast.doseToGo, dose) : null,
    cautions: [
      ...cautionsForPeroxide(powder ? percentWW : Math.max(percentWW, stockPercentWW)),
      ...school.cautions.map(caution),
    ],
    notes: [...shortOf(input, stockMl), ...notesOn(input, percentWW, dose)],
  };
}

function shortOf({ school, stockLeft = null, units = 'metric' }: PlanInput, needed: number): string[] {
  if (stockLeft === null || needed <= stockLeft) return [];
  const powder = school.medium === 'powder';
  const shown = (amount: number) => (powder ? amountWords(amount, 'g', 0, units) : pouredWords(amount / 1000, units));
  return [
    `It takes ${shown(needed)} and ${powder ? 'the tub' : 'the bottle'} ${stockLeft > 0 ? `has ${shown(stockLeft)} left` : 'is empty'} by the record. Count it under Stores if that is wrong, get more of it${school.medium === 'cream' ? '' : ', take a smaller tub, a stronger bottle, or a way that takes less'}.`,
  ];
}

function notesOn({ school, yellow, lampMwPerCm2, shading }: PlanInput, percentWW: number, dose: number): string[] {
  const notes: string[] = [];
  if (!yellow)
    notes.push(
      'Not measured yet with card and hidden patch: no forecast. Measure it first, so that the start is known.',
    );
  if (school.driver === 'sun' && dose < assumed('next to no dose'))
    notes.push(
      `This window brings next to no ultraviolet: night, winter${shading.length > 0 ? ', what stands in the sun’s way,' : ''} or polar night. Choose another hour or place, a lamp or vapour.`,
    );
  if (school.driver === 'lamp' && lampMwPerCm2 === 0)
    notes.push('Give the lamp’s UV-A in mW/cm², or the dose stays 0.');
  if (percentWW < school.percentRangeWW[0])
    notes.push(
      `Weaker than the ${school.percentRangeWW[0]} % that this way is usually worked with: expect it to take longer.`,
    );
  return notes;
}
