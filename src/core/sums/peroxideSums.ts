import Joi from 'joi';
import { creamAmount } from '../peroxide/cream';
import { peroxideDilution, REFUSE_ABOVE_PERCENT_WW, type Dilution } from '../peroxide/dilution';
import { oxygenRelease } from '../peroxide/oxygen';
import {
  MOLAR_VOLUME_L,
  peroxideStrength,
  STRENGTH_UNITS,
  STRONGEST_PERCENT_WW,
  type Strength,
  type StrengthUnit,
} from '../peroxide/strength';
import type { Sum } from './sum';

const peroxideStrengthSum: Sum<{ value: number; unit: StrengthUnit }, Strength> = {
  name: 'peroxide-strength',
  title: 'Peroxide strength',
  summary: 'The strength on a label in every unit that labels use.',
  input: Joi.object({
    value: Joi.number().positive().max(2000).required().label('Number on the label'),
    unit: Joi.string()
      .valid(...STRENGTH_UNITS)
      .required()
      .label('Unit on the label'),
  }),
  compute: ({ value, unit }) => peroxideStrength(value, unit),
  source:
    '2 H₂O₂ → 2 H₂O + O₂, M 34.0147 g/mol, 22.414 L/mol; density at 18 °C from handbook values, linear between them.',
  example: { value: 40, unit: 'volumes' },
  results: (out) => [
    { label: 'By weight', value: out.percentWW, unit: '%', digits: 2 },
    { label: 'Weight in volume', value: out.percentWV, unit: '%', digits: 2 },
    { label: 'Volumes', value: out.volumes, unit: 'vol', digits: 1 },
    { label: 'Grams in a litre', value: out.gramsPerL, unit: 'g/L', digits: 1 },
    { label: 'Moles in a litre', value: out.molPerL, unit: 'mol/L', digits: 3 },
    { label: 'Density', value: out.densityKgPerL, unit: 'kg/L', digits: 4 },
  ],
  working: (out) => [
    `Density at ${out.percentWW.toFixed(2)} % = ${out.densityKgPerL.toFixed(4)} kg/L`,
    `${out.percentWW.toFixed(2)} % × ${out.densityKgPerL.toFixed(4)} kg/L × 10 = ${out.gramsPerL.toFixed(1)} g/L`,
    `${out.gramsPerL.toFixed(1)} / 34.0147 / 2 × ${MOLAR_VOLUME_L} = ${out.volumes.toFixed(1)} volumes of oxygen`,
  ],
};

interface DilutionInput {
  stockPercentWW: number;
  targetPercentWW: number;
  finalVolumeL: number;
}

const peroxideDilutionSum: Sum<DilutionInput, Dilution> = {
  name: 'peroxide-dilution',
  title: 'Peroxide dilution',
  summary: 'How much of the bottle and how much water give the bath you need.',
  input: Joi.object({
    stockPercentWW: Joi.number().positive().max(REFUSE_ABOVE_PERCENT_WW).required().unit('%').label('Stock, by weight'),
    targetPercentWW: Joi.number()
      .positive()
      .max(REFUSE_ABOVE_PERCENT_WW)
      .required()
      .unit('%')
      .label('Strength wanted, by weight'),
    finalVolumeL: Joi.number().positive().max(1000).required().unit('L').label('Litres wanted'),
  }),
  compute: ({ stockPercentWW, targetPercentWW, finalVolumeL }) =>
    peroxideDilution(stockPercentWW, targetPercentWW, finalVolumeL),
  source:
    'Mass balance by weight; volumes through density (peroxide at 18 °C from handbook values, water 0.9982 kg/L).',
  example: { stockPercentWW: 35, targetPercentWW: 12, finalVolumeL: 5 },
  results: (out) => [
    { label: 'Stock', value: out.stockVolumeL, unit: 'L', digits: 3 },
    { label: 'Water', value: out.waterVolumeL, unit: 'L', digits: 3 },
    { label: 'Stock, weighed', value: out.stockMassKg, unit: 'kg', digits: 3 },
    { label: 'Water, weighed', value: out.waterMassKg, unit: 'kg', digits: 3 },
  ],
  working: (out, input) => [
    `The bath weighs ${(out.stockMassKg + out.waterMassKg).toFixed(3)} kg`,
    `Stock = ${(out.stockMassKg + out.waterMassKg).toFixed(3)} × ${input.targetPercentWW} / ${input.stockPercentWW} = ${out.stockMassKg.toFixed(3)} kg = ${out.stockVolumeL.toFixed(3)} L`,
    `Water = the rest = ${out.waterMassKg.toFixed(3)} kg = ${out.waterVolumeL.toFixed(3)} L`,
    'Pour the peroxide into the water, not the water into the peroxide.',
  ],
};

interface OxygenInput {
  percentWW: number;
  volumeL: number;
  temperatureC: number;
  pressureHPa: number;
}

const oxygenReleaseSum: Sum<OxygenInput, { oxygenL: number }> = {
  name: 'oxygen-release',
  title: 'Oxygen release',
  summary: 'Litres of oxygen a bath gives off if all of it decomposes: why nothing is ever sealed.',
  input: Joi.object({
    percentWW: Joi.number().positive().max(STRONGEST_PERCENT_WW).required().unit('%').label('Strength, by weight'),
    volumeL: Joi.number().positive().max(1000).required().unit('L').label('Bath'),
    temperatureC: Joi.number().min(-20).max(60).default(20).unit('°C').label('Air temperature'),
    pressureHPa: Joi.number().min(500).max(1100).default(1013.25).unit('hPa').label('Air pressure'),
  }),
  compute: ({ percentWW, volumeL, temperatureC, pressureHPa }) => ({
    oxygenL: oxygenRelease(percentWW, volumeL, temperatureC, pressureHPa),
  }),
  source: '2 H₂O₂ → 2 H₂O + O₂; ideal gas, 22.414 L/mol at 0 °C and 1013.25 hPa. Complete decomposition.',
  example: { percentWW: 12, volumeL: 1, temperatureC: 20, pressureHPa: 1013.25 },
  results: (out, { volumeL }) => [
    { label: 'Oxygen', value: out.oxygenL, unit: 'L', digits: 1 },
    { label: 'For each litre of bath', value: out.oxygenL / volumeL, unit: 'L', digits: 1 },
  ],
  working: (out, input) => {
    const grams = peroxideStrength(input.percentWW, 'percentWW').gramsPerL * input.volumeL;
    return [
      `${input.volumeL} L at ${input.percentWW} % holds ${grams.toFixed(1)} g of peroxide = ${(grams / 34.0147).toFixed(2)} mol`,
      `Half as many moles of oxygen, at ${input.temperatureC} °C and ${input.pressureHPa} hPa: ${out.oxygenL.toFixed(1)} L`,
    ];
  },
};

interface CreamInput {
  areaCm2: number;
  filmMm: number;
  coats: number;
  tubeMl: number;
}

const creamAmountSum: Sum<CreamInput, { creamMl: number; tubes: number }> = {
  name: 'cream-amount',
  title: 'Cream amount',
  summary: 'Peroxide cream for a surface, and how many tubes that is.',
  input: Joi.object({
    areaCm2: Joi.number().positive().max(100_000).required().unit('cm²').label('Surface'),
    filmMm: Joi.number().positive().max(10).default(1).unit('mm').label('Thickness that stays on'),
    coats: Joi.number().integer().min(1).max(20).default(1).label('Coats'),
    tubeMl: Joi.number().positive().max(10_000).default(100).unit('mL').label('Content of a tube'),
  }),
  compute: ({ areaCm2, filmMm, coats, tubeMl }) => creamAmount(areaCm2, filmMm, coats, tubeMl),
  source: 'Area × thickness × coats; 1 cm² under 1 mm is 0.1 mL.',
  example: { areaCm2: 900, filmMm: 1, coats: 1, tubeMl: 100 },
  results: (out) => [
    { label: 'Cream', value: out.creamMl, unit: 'mL', digits: 0 },
    { label: 'Tubes', value: out.tubes, digits: 0 },
  ],
  working: (out, { areaCm2, filmMm, coats, tubeMl }) => [
    `${areaCm2} cm² × ${filmMm} mm × 0.1 × ${coats} = ${out.creamMl.toFixed(0)} mL`,
    `${out.creamMl.toFixed(0)} / ${tubeMl} → ${out.tubes} tubes`,
  ],
};

export const PEROXIDE_SUMS = [peroxideStrengthSum, peroxideDilutionSum, oxygenReleaseSum, creamAmountSum];
