import { agedStrength, strengthByGas, type AgedBottle, type GasTest } from '../peroxide/agedBottle';
import type { Band } from '../fade/fade';
import Joi from 'joi';
import { bathVolume, COVER_MM, type BathPiece, type BathVolume, type Container } from '../peroxide/bathVolume';
import { mixedBottles, type Bottle } from '../peroxide/mixture';
import { percarbonateBath, type PercarbonateBath } from '../peroxide/percarbonate';
import { peroxideStrength, STRONGEST_PERCENT_WW } from '../peroxide/strength';
import { Refusal } from '../refusal';
import type { Sum } from './sum';

const side = () => Joi.number().positive().max(5000).unit('mm');

interface BathInput {
  container: { shape: 'box' | 'cylinder'; lengthMm: number; widthMm: number; diameterMm: number; heightMm: number };
  pieces: BathPiece[];
  coverMm: number;
  solutionPercentWW: number;
}

/** The sizes that the shape asks for. @throws Refusal for one that is missing */
function containerOf({ shape, lengthMm, widthMm, diameterMm, heightMm }: BathInput['container']): Container {
  const needed = (name: string, label: string, value: number | undefined) => {
    if (value === undefined || value === 0)
      throw new Refusal(`container.${name}`, `A ${shape} needs its ${label} inside, in mm.`);
    return value;
  };
  return shape === 'box'
    ? {
        shape,
        heightMm,
        lengthMm: needed('lengthMm', 'length', lengthMm),
        widthMm: needed('widthMm', 'width', widthMm),
      }
    : { shape, heightMm, diameterMm: needed('diameterMm', 'diameter', diameterMm) };
}

const bathVolumeSum: Sum<BathInput, BathVolume> = {
  name: 'bath-volume',
  title: 'Bath volume',
  summary: 'Solution that covers pieces in a bath, whether it runs over, and what holds down what floats.',
  input: Joi.object({
    container: Joi.object({
      shape: Joi.string().valid('box', 'cylinder').default('box').label('Shape'),
      lengthMm: side().label('Length inside, box'),
      widthMm: side().label('Width inside, box'),
      diameterMm: side().label('Diameter inside, cylinder'),
      heightMm: side().required().label('Height inside'),
    })
      .required()
      .label('Bath'),
    pieces: Joi.array()
      .items(
        Joi.object({
          massG: Joi.number().positive().max(50_000).required().unit('g').label('Weight'),
          densityGPerCm3: Joi.number()
            .min(0.2)
            .max(10)
            .default(1.05)
            .label('Density, g/cm³ (ABS 1.05, polystyrene 1.05, polycarbonate 1.2)'),
          heightMm: Joi.number().positive().max(5000).allow(null).default(null).unit('mm').label('Height as it lies'),
        }),
      )
      .max(200)
      .default([])
      .label('Pieces'),
    coverMm: Joi.number().min(0).max(1000).default(COVER_MM).unit('mm').label('Solution over them'),
    solutionPercentWW: Joi.number()
      .min(0)
      .max(STRONGEST_PERCENT_WW)
      .default(0)
      .unit('%')
      .label('Strength of the solution'),
  }),
  compute: ({ container, pieces, coverMm, solutionPercentWW }) =>
    bathVolume(
      containerOf(container),
      pieces,
      coverMm,
      solutionPercentWW > 0 ? peroxideStrength(solutionPercentWW, 'percentWW').densityKgPerL : 0.9982,
    ),
  source:
    'Floor × (highest piece + cover), less mass / density of the pieces (Archimedes). Density of peroxide from handbook values.',
  example: {
    container: { shape: 'box', lengthMm: 600, widthMm: 400, heightMm: 180 } as BathInput['container'],
    pieces: [{ massG: 480, densityGPerCm3: 1.05, heightMm: 70 }],
    coverMm: 20,
    solutionPercentWW: 6,
  },
  results: (out) => [
    { label: 'Solution', value: out.solutionL, unit: 'L', digits: 2 },
    { label: 'Filled to', value: out.fillHeightMm, unit: 'mm', digits: 0 },
    { label: 'Runs over', value: out.overflows ? 'yes: take a higher bath or bathe in turns' : 'no' },
    { label: 'Pushed aside by the pieces', value: out.displacedL, unit: 'L', digits: 2 },
    { label: 'Weight that holds down what floats', value: out.weightToHoldDownG, unit: 'g', digits: 0 },
  ],
  working: (out) => [
    `Floor × ${out.fillHeightMm.toFixed(0)} mm − ${out.displacedL.toFixed(2)} L = ${out.solutionL.toFixed(2)} L`,
    out.overflows
      ? 'That is higher than the rim.'
      : `${out.freeL.toFixed(2)} L more would reach the rim. Leave a hand’s breadth: froth rises.`,
  ],
};

interface PercarbonateInput {
  powderGrams: number;
  percarbonateMassFraction: number;
  waterL: number;
}

const percarbonateSum: Sum<PercarbonateInput, PercarbonateBath> = {
  name: 'percarbonate-bath',
  title: 'Oxygen-bleach bath',
  summary: 'How strong a warm bath of oxygen-bleach powder is.',
  input: Joi.object({
    powderGrams: Joi.number().positive().max(20_000).required().unit('g').label('Powder'),
    percarbonateMassFraction: Joi.number()
      .positive()
      .max(1)
      .required()
      .label('Share of percarbonate in it, from the label (0 to 1)'),
    waterL: Joi.number().positive().max(1000).required().unit('L').label('Water'),
  }),
  compute: ({ powderGrams, percarbonateMassFraction, waterL }) =>
    percarbonateBath(powderGrams, percarbonateMassFraction, waterL),
  source: '2 Na₂CO₃·3 H₂O₂, M 314.02: 32.5 % H₂O₂ and 15.3 % active oxygen by mass.',
  example: { powderGrams: 60, percarbonateMassFraction: 0.5, waterL: 5 },
  results: (out) => [
    { label: 'Peroxide, weight in volume', value: out.peroxidePercentWV, unit: '%', digits: 2 },
    { label: 'Active oxygen', value: out.activeOxygenGrams, unit: 'g', digits: 1 },
  ],
  working: (out, { powderGrams, percarbonateMassFraction, waterL }) => [
    `${powderGrams} g × ${percarbonateMassFraction} × 0.325 / (10 × ${waterL} L) = ${out.peroxidePercentWV.toFixed(2)} %`,
    'It is alkaline as well, and it gives off oxygen: never in a sealed vessel, never with acid.',
  ],
};

const bottleMixSum: Sum<{ bottles: Bottle[] }, Bottle & { massKg: number }> = {
  name: 'bottle-mix',
  title: 'Bottles mixed',
  summary: 'The strength of several bottles poured together.',
  input: Joi.object({
    bottles: Joi.array()
      .items(
        Joi.object({
          percentWW: Joi.number().min(0).max(STRONGEST_PERCENT_WW).required().unit('%').label('Strength, by weight'),
          volumeL: Joi.number().positive().max(1000).required().unit('L').label('Litres'),
        }),
      )
      .min(1)
      .max(50)
      .required()
      .label('Bottles'),
  }),
  compute: ({ bottles }) => mixedBottles(bottles),
  source: 'Mass balance by weight; volumes through the density of peroxide at 18 °C.',
  example: {
    bottles: [
      { percentWW: 12, volumeL: 0.4 },
      { percentWW: 3, volumeL: 1 },
    ],
  },
  results: (out) => [
    { label: 'Strength, by weight', value: out.percentWW, unit: '%', digits: 2 },
    { label: 'Volume', value: out.volumeL, unit: 'L', digits: 3 },
    { label: 'Weight', value: out.massKg, unit: 'kg', digits: 3 },
  ],
  working: (out, { bottles }) => [
    ...bottles.map(({ percentWW, volumeL }) => `${volumeL} L at ${percentWW} %`),
    `Together ${out.massKg.toFixed(3)} kg at ${out.percentWW.toFixed(2)} %`,
  ],
};

interface AgedInput extends AgedBottle, GasTest {
  percentWW: number;
}

interface AgedOutput {
  estimatedPercentWW: Band;
  /** By the gas of a sample; `null` where none was taken. It outweighs the estimate. */
  measuredPercentWW: number | null;
  /** 5 % to 95 % of it. */
  measuredBand: Band | null;
}

const agedBottleSum: Sum<AgedInput, AgedOutput> = {
  name: 'aged-bottle',
  title: 'Old bottle',
  summary: 'What an old bottle of peroxide still holds: estimated by its age, or measured by the gas of a sample.',
  input: Joi.object({
    percentWW: Joi.number()
      .positive()
      .max(STRONGEST_PERCENT_WW)
      .required()
      .unit('%')
      .label('Strength when new, by weight'),
    months: Joi.number().min(0).max(240).required().unit('months').label('Since it was made'),
    openMonths: Joi.number().min(0).max(240).default(0).unit('months').label('Of them open'),
    storageC: Joi.number().min(-10).max(50).default(20).unit('°C').label('Where it stands'),
    sampleMl: Joi.number().min(0).max(500).default(0).unit('mL').label('Sample, 0 without one'),
    gasMl: Joi.number().min(0).max(100_000).default(0).unit('mL').label('Gas that it gave with a pinch of yeast'),
    gasC: Joi.number().min(0).max(60).default(20).unit('°C').label('Temperature of the gas'),
    pressureHPa: Joi.number().min(500).max(1100).default(1013.25).unit('hPa').label('Air pressure'),
    overWater: Joi.boolean().default(true).label('Caught over water'),
  }),
  compute: ({ percentWW, sampleMl, gasMl, gasC, pressureHPa, overWater, ...age }) => {
    const sample = { sampleMl, gasMl, gasC, pressureHPa, overWater };
    const measuredBand = sampleMl > 0 && gasMl > 0 ? strengthByGas(sample) : null;
    return {
      estimatedPercentWW: agedStrength(percentWW, age),
      measuredPercentWW: measuredBand && measuredBand.median,
      measuredBand,
    };
  },
  source:
    'Gas: 2 H₂O₂ → 2 H₂O + O₂, ideal gas, less the vapour of the water that it is caught over (Magnus). Age: 2 % a year closed and 15 % open at 20 °C, twice as fast each 10 °C warmer: a workshop guess.',
  example: {
    percentWW: 12,
    months: 24,
    openMonths: 12,
    storageC: 20,
    sampleMl: 5,
    gasMl: 185,
    gasC: 20,
    pressureHPa: 1013.25,
    overWater: true,
  },
  results: (out) => [
    ...(out.measuredPercentWW === null
      ? []
      : [
          {
            ...({ label: 'Measured by gas', value: out.measuredPercentWW, unit: '%', digits: 1 } as const),
            range: [out.measuredBand!.low, out.measuredBand!.high] as const,
          },
        ]),
    { label: 'Estimated by age', value: out.estimatedPercentWW.median, unit: '%', digits: 1 } as const,
    { label: 'At least', value: out.estimatedPercentWW.low, unit: '%', digits: 1 } as const,
    { label: 'At most', value: out.estimatedPercentWW.high, unit: '%', digits: 1 } as const,
  ],
  working: (out, { percentWW, months, openMonths, storageC, sampleMl, gasMl }) => [
    `${percentWW} % × exp(−(0.02 × ${months - openMonths} + 0.15 × ${openMonths}) / 12 × 2^((${storageC} − 20) / 10)) = ${out.estimatedPercentWW.median.toFixed(1)} %`,
    ...(out.measuredPercentWW === null
      ? ['No sample: an estimate. Gas of a few millilitres with a pinch of yeast, caught over water, measures it.']
      : [`${gasMl} mL of oxygen from ${sampleMl} mL: ${out.measuredPercentWW.toFixed(1)} %. What is measured counts.`]),
    'It foams and gets warm: a small sample, an open vessel, goggles.',
  ],
};

export const BATH_SUMS = [bathVolumeSum, bottleMixSum, agedBottleSum, percarbonateSum];
