import Joi from 'joi';
import type { Forecast, ForecastInput } from '../fade/fade';
import { exposureForecast } from '../fade/forecast';
import { sunAndUv, sunDose, type Place } from '../sun/day';
import { cloudTransmission } from '../sun/uvIndex';
import type { Sum } from './sum';

const placeFields = {
  latitude: Joi.number().min(-90).max(90).required().unit('°').label('Latitude, north positive'),
  longitude: Joi.number().min(-180).max(180).required().unit('°').label('Longitude, east positive'),
  time: Joi.string().isoDate().required().label('Time, ISO 8601'),
  ozoneDU: Joi.number().min(100).max(600).default(300).unit('DU').label('Ozone'),
  altitudeM: Joi.number().min(-400).max(6000).default(0).unit('m').label('Altitude'),
  cloudFraction: Joi.number().min(0).max(1).default(0).label('Cloud, covered share of the sky'),
};

interface SunInput extends Required<Omit<Place, 'hazeShare'>> {
  time: string;
  cloudFraction: number;
}

interface SunOutput {
  elevationDeg: number;
  azimuthDeg: number;
  uvIndexClear: number;
  uvIndex: number;
}

/** Joi turns ISO text into the same instant in UTC; a bare date would be midnight UTC. */
const instant = (time: string) => new Date(time);

const sunAndUvSum: Sum<SunInput, SunOutput> = {
  name: 'sun-and-uv',
  title: 'Sun and UV',
  summary: 'Where the sun stands, and the UV index it brings through cloud.',
  input: Joi.object(placeFields),
  compute: (input) => {
    const { elevationDeg, azimuthDeg, uvIndexClear, uvIndex } = sunAndUv(
      input,
      instant(input.time),
      input.cloudFraction,
    );
    return { elevationDeg, azimuthDeg, uvIndexClear, uvIndex };
  },
  source:
    'Sun position by the suncalc library; clear sky 12.5 · sin(h)^2.42 · (ozone/300)^−1.23 (Madronich 2007), +6 % per km; clouds × (1 − 0.6 n^3.08), 40 % of the ultraviolet under a closed sky.',
  example: {
    latitude: 57.7,
    longitude: 18.3,
    time: '2026-06-21T11:00:00Z',
    ozoneDU: 300,
    altitudeM: 0,
    cloudFraction: 0,
  },
  estimate: 'Clear-sky model; haze, snow and shade nearby are not in it.',
  results: (out) => [
    { label: 'Height of the sun', value: out.elevationDeg, unit: '°', digits: 2 },
    { label: 'Direction', value: out.azimuthDeg, unit: '°', digits: 2 },
    { label: 'UV index, clear sky', value: out.uvIndexClear, digits: 2 },
    { label: 'UV index', value: out.uvIndex, digits: 2 },
  ],
  working: (out, input) => [
    out.elevationDeg > 0
      ? `12.5 × sin(${out.elevationDeg.toFixed(2)}°)^2.42 × (${input.ozoneDU}/300)^−1.23 × (1 + 0.06 × ${input.altitudeM / 1000}) = ${out.uvIndexClear.toFixed(2)}`
      : 'The sun is at or under the horizon: no UV.',
    `× (1 − 0.6 × ${input.cloudFraction}^3.08) = × ${cloudTransmission(input.cloudFraction).toFixed(3)} → ${out.uvIndex.toFixed(2)}`,
  ],
};

interface DoseInput extends SunInput {
  durationMin: number;
  transmission: number;
}

const sunDoseSum: Sum<DoseInput, { doseUviH: number; meanUvIndex: number }> = {
  name: 'sun-dose',
  title: 'Sun dose',
  summary: 'What a stretch of sun brings through film, bag or lid.',
  input: Joi.object({
    ...placeFields,
    durationMin: Joi.number().positive().max(1440).required().unit('min').label('Minutes in the sun'),
    transmission: Joi.number()
      .positive()
      .max(1)
      .default(0.9)
      .label('Share let through (film 0.9, bag 0.85, lid 0.6, glass 0.3)'),
  }),
  compute: (input) => {
    const doseUviH = sunDose(input, instant(input.time), input.durationMin, input.transmission, input.cloudFraction);
    return { doseUviH, meanUvIndex: doseUviH / input.transmission / (input.durationMin / 60) };
  },
  source: '∫ UV index × transmission dt, Simpson’s rule in five-minute steps; UV index as in “Sun and UV”.',
  example: {
    latitude: 57.7,
    longitude: 18.3,
    time: '2026-06-21T09:00:00Z',
    durationMin: 240,
    transmission: 0.9,
    ozoneDU: 300,
    altitudeM: 0,
    cloudFraction: 0.2,
  },
  estimate: 'Clear-sky model under the cloud you state.',
  results: (out) => [
    { label: 'Dose', value: out.doseUviH, unit: 'UVI·h', digits: 2 },
    { label: 'Mean UV index', value: out.meanUvIndex, digits: 2 },
  ],
  working: (out, input) => [
    `Mean UV index ${out.meanUvIndex.toFixed(2)} × ${input.durationMin} min × ${input.transmission} = ${out.doseUviH.toFixed(2)} UVI·h`,
  ],
};

const bStar = () => Joi.number().min(-20).max(80);

const exposureForecastSum: Sum<ForecastInput, Forecast> = {
  name: 'exposure-forecast',
  title: 'Exposure forecast',
  summary: 'How fast a piece fades, from its own sessions, and how much more it needs.',
  input: Joi.object({
    startB: bStar().required().label('b* at the start'),
    targetB: bStar().required().label('b* of the hidden patch'),
    toleranceB: Joi.number().positive().max(20).default(1.5).label('Good enough within, b*'),
    sessions: Joi.array()
      .items(
        Joi.object({
          dose: Joi.number().min(0).max(100_000).required().unit('UVI·h').label('Dose of the session'),
          measuredB: bStar().allow(null).default(null).label('b* measured after it'),
        }),
      )
      .max(100)
      .default([])
      .label('Sessions'),
    prior: Joi.object({
      medianRate: Joi.number().positive().max(10).required().label('Median rate per unit of dose'),
      logSd: Joi.number().positive().max(3).required().label('Its log standard deviation'),
    })
      .default({ medianRate: 0.06, logSd: 0.6 })
      .label('Starting guess'),
    measurementSd: Joi.number().positive().max(20).default(0.6).label('Error of one b*'),
    startSd: Joi.number().min(0).max(20).default(0).label('Error of the start'),
    targetSd: Joi.number().min(0).max(20).default(0).label('Error of the target'),
    doseSdShare: Joi.number().min(0).max(1).default(0).label('Error of a dose, share'),
    nextDose: Joi.number().min(0).max(100_000).unit('UVI·h').label('Next dose'),
  }),
  compute: exposureForecast,
  source:
    'b*(D) = target + (start − target)·exp(−k·D); log-normal prior on k, Gaussian errors of measurement, start, target and doses, posterior on a fine grid of ln k; start, target and doses at each k by Gauss–Newton and Laplace.',
  example: {
    startB: 27,
    targetB: 6,
    toleranceB: 1.5,
    sessions: [{ dose: 10, measuredB: 17.5 }],
    prior: { medianRate: 0.06, logSd: 0.6 },
    measurementSd: 0.6,
    startSd: 0.6,
    targetSd: 1,
    doseSdShare: 0.15,
    nextDose: 8,
  },
  estimate: 'A model of the fade; the band holds nine pieces in ten.',
  results: (out) => [
    {
      label: 'Dose to go',
      value: out.doseToGo.median,
      unit: 'UVI·h',
      digits: 1,
      range: [out.doseToGo.low, out.doseToGo.high],
    },
    { label: 'Rate', value: out.rate.median, digits: 4, range: [out.rate.low, out.rate.high] },
    { label: 'b* now', value: out.currentB, digits: 1, range: [out.currentBand.low, out.currentBand.high] },
    ...[
      { label: 'b* after the next dose', of: out.nextB },
      { label: 'What will be read then', of: out.nextMeasuredB },
    ].flatMap(({ label, of }) =>
      of ? [{ label, value: of.median, digits: 1, range: [of.low, of.high] as const }] : [],
    ),
    ...(out.doubt ? [{ label: 'Doubt', value: out.doubt }] : []),
  ],
  working: (out, input) => [
    `${input.sessions.filter(({ measuredB }) => measuredB !== null).length} measured sessions move the rate from ${input.prior.medianRate} to ${out.rate.median.toFixed(4)}`,
    `Needed in all: ln((${input.startB} − ${input.targetB}) / ${input.toleranceB}) / k`,
    `Less the ${input.sessions.reduce((sum, { dose }) => sum + dose, 0).toFixed(1)} given: ${out.doseToGo.median.toFixed(1)} (${out.doseToGo.low.toFixed(1)} to ${out.doseToGo.high.toFixed(1)}) to go`,
  ],
};

export const EXPOSURE_SUMS = [sunAndUvSum, sunDoseSum, exposureForecastSum];
