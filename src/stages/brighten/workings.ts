import type { Way } from '@/core/choice/compare';
import { doseUnit, UVI_PER_MW_CM2, warmthFactor } from '@/core/fade/dose';
import type { Band, Forecast, ForecastInput } from '@/core/fade/fade';
import { FILM_MM } from '@/core/session/amounts';
import type { ExposurePlan } from '@/core/session/plan';
import { SCHOOL, type School } from '@/core/session/schools';
import { COVER_MM, type BathVolume } from '@/core/peroxide/bathVolume';
import { showTime } from '@/core/runsheet/time';
import type { Measurement } from '@/data/rows';
import type { PieceHistory } from './history';

interface Line {
  what: string;
  how: string;
}

const n = (value: number, digits = 1) => value.toFixed(digits).replace('-', '−');
const range = ({ low, median, high }: Band, digits = 1) =>
  `${n(median, digits)} (${n(low, digits)} to ${n(high, digits)})`;

/** How the fade of a piece and its dose to go come about. */
export function fadeWorking(
  { startB, targetB, toleranceB, sessions, prior, measurementSd }: ForecastInput,
  forecast: Forecast,
  unit: string,
): Line[] {
  const done = sessions.reduce((sum, { dose }) => sum + dose, 0);
  return [
    { what: 'Model', how: `b*(D) = target + (start − target) · exp(−k·D); start ${n(startB)}, target ${n(targetB)}` },
    {
      what: `Dose so far, ${unit}`,
      how: `${sessions.length === 0 ? 'none' : sessions.map(({ dose, measuredB }) => `${n(dose)}${measuredB === null ? ' (not measured)' : ` (then b* ${n(measuredB)})`}`).join(' + ')} = ${n(done)}`,
    },
    {
      what: 'Rate k',
      how: `${range(forecast.rate, 4)} per ${unit}: prior ${n(prior.medianRate, 4)} with log deviation ${n(prior.logSd, 2)}, each b* known to ± ${n(measurementSd)}`,
    },
    {
      what: 'To go',
      how: `ln((start − target) / ${n(toleranceB)}) / k − ${n(done)} = ${range(forecast.doseToGo)} ${unit}`,
    },
  ];
}

/** How the figures of a way come about. */
export function wayWorking({ school, dose, sessions, waitingH, handsMin, sun, costMinor, spreadB }: Way): Line[] {
  if (school === 'leave-it') return [];
  const { hands, turnEveryMin, driver, transmission, usualC } = SCHOOL[school];
  const turns = Math.round((handsMin - Math.max(1, sessions) * hands.setUpMin) / hands.turnMin);
  return [
    {
      what: 'Sessions and date',
      how: !dose
        ? 'no dose is known before it is measured'
        : driver === 'sun'
          ? `the best stretch of each day in your hours, at most 8 h, until ${n(dose.toGo.median)} UVI·h; through its cover (${n(transmission, 2)}), past what stands in the way, under the sky of the coming days`
          : driver === 'lamp'
            ? `${n(dose.toGo.median)} UVI·h, each mW/cm² counts as ${UVI_PER_MW_CM2} UVI, through ${n(transmission, 2)}, 12 h a day`
            : `${n(dose.toGo.median)} h at 25 °C, ${n(warmthFactor(usualC), 2)} of them in an hour at ${usualC} °C`,
    },
    {
      what: 'Waiting',
      how: sun
        ? `${sun.sessions.map(({ dose: each }) => `${n(each)}`).join(' + ') || '0'} UVI·h in ${n(waitingH)} h`
        : `${n(waitingH)} h`,
    },
    {
      what: 'Hands',
      how: `${Math.max(1, sessions)} × ${hands.setUpMin} min to set up and take off + ${turns} turns × ${hands.turnMin} min, one every ${turnEveryMin} min = ${handsMin} min`,
    },
    {
      what: 'Cost',
      how:
        costMinor === null
          ? 'not known: no bottle of it with a price in the stores'
          : 'what it takes of the bottle in the stores, by its price',
    },
    {
      what: 'Spread',
      how: `${spreadB} b* from palest to yellowest, a guess for this way until your own pieces say more`,
    },
  ];
}

/** What the dose of a session follows from. */
interface Given {
  hours: number;
  cloudFraction: number;
  lampMwPerCm2: number;
  temperatureC: number;
}

function doseWorking(
  school: School,
  { hours, cloudFraction, lampMwPerCm2, temperatureC }: Given,
  dose: number,
): string {
  const through = `what ${school.cover} lets through (${n(school.transmission, 2)})`;
  const how = {
    sun: `∫ UV index under ${n(100 * cloudFraction, 0)} % cloud, past what stands in the way, × ${through} dt over ${n(hours)} h`,
    lamp: `${n(hours)} h × ${n(lampMwPerCm2)} mW/cm² × ${UVI_PER_MW_CM2} × ${through}`,
    warmth: `${n(hours)} h × 2^((${n(temperatureC, 0)} − 25) / 10)`,
  }[school.driver];
  return `${how} = ${n(dose)} ${doseUnit(school)}`;
}

/** How the dose of each session that is over came about. */
export function sessionsWorking(
  { sessions, treatments }: Pick<PieceHistory, 'sessions' | 'treatments'>,
  timeZone: string,
): Line[] {
  return sessions.flatMap(({ treatmentId, startedAt, endedAt, actualMin, dose, ...given }) => {
    const treatment = treatments.find(({ id }) => id === treatmentId);
    if (!treatment || dose === null || actualMin === null) return [];
    return {
      what: `${SCHOOL[treatment.school].title}, ${showTime(startedAt, timeZone)} to ${showTime(endedAt!, timeZone)}`,
      how: doseWorking(SCHOOL[treatment.school], { ...given, hours: actualMin / 60 }, dose),
    };
  });
}

/** How far a piece is from its hidden patch, as last measured. */
export function distanceWorking({ lab, hiddenLab, deltaB }: Pick<Measurement, 'lab' | 'hiddenLab' | 'deltaB'>): Line[] {
  if (!lab || !hiddenLab || deltaB === null) return [];
  return [
    {
      what: 'Distance',
      how: `b* ${n(lab[2])} of the newest measurement − ${n(hiddenLab[2])} of its hidden patch = ${n(deltaB)}`,
    },
  ];
}

/** How the figures of a planned exposure come about. */
export function planWorking(plan: ExposurePlan, school: School, given: Given, bath: BathVolume | null): Line[] {
  const { dilution, powderG, creamMl, oxygenL, dose, percentWW, afterB, forecast } = plan;
  return [
    ...(bath
      ? [
          {
            what: 'Litres',
            how:
              school.solution === 'pool'
                ? `floor of the box × ${n(bath.fillHeightMm, 0)} mm, a pool that the piece stands clear of = ${n(bath.solutionL, 2)} L`
                : `floor of the tub × ${n(bath.fillHeightMm, 0)} mm (the piece as it lies and ${COVER_MM} mm over it) − ${n(bath.displacedL, 2)} L that the piece pushes aside = ${n(bath.solutionL, 2)} L`,
          },
        ]
      : []),
    dilution
      ? {
          what: 'Mix',
          how: `mass of peroxide in = mass out: ${n(dilution.stockMassKg, 3)} kg of the bottle + ${n(dilution.waterMassKg, 3)} kg of water = ${n(percentWW)} % by weight; litres by density`,
        }
      : {
          what: 'Amount',
          how:
            powderG !== null
              ? `${n(powderG, 0)} g: litres × strength / peroxide in the powder`
              : `${n(creamMl!, 0)} mL: surface × ${FILM_MM} mm, one coat`,
        },
    {
      what: 'Oxygen',
      how: `2 H₂O₂ → 2 H₂O + O₂; all the peroxide in it / 34.0147 / 2 × 22.414 L, at 20 °C = ${n(oxygenL, 0)} L`,
    },
    { what: 'Dose', how: doseWorking(school, given, dose) },
    ...(afterB && forecast
      ? [{ what: 'After it', how: `b*(D + ${n(dose)}) at k = ${range(forecast.rate, 4)}: ${range(afterB)}` }]
      : []),
  ];
}
