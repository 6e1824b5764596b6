import Joi from 'joi';
import { mouldAndCast, type Cast } from '../mending/cast';
import { cureTime, type Cure } from '../mending/cure';
import { adhesiveJoint, type Joint } from '../mending/joint';
import type { Sum } from './sum';

const above0 = (label: string, most: number) => Joi.number().positive().max(most).label(label);
const warmth = (label: string) => Joi.number().min(-40).max(200).unit('°C').label(label);

const joint: Sum<Joint, ReturnType<typeof adhesiveJoint>> = {
  name: 'adhesive-joint',
  title: 'A glued joint',
  summary: 'Whether a lap of glue bears what pulls at it, and how much of it would.',
  input: Joi.object({
    lapAreaMm2: above0('Area of the lap, mm²', 1e6).required(),
    shearStrengthMPa: above0('Strength of the glue on this plastic, MPa', 100).required(),
    loadN: above0('Load, N', 1e5).required(),
    safetyFactor: Joi.number().min(1).max(20).default(4).label('Safety factor'),
  }),
  compute: adhesiveJoint,
  source:
    'Area × shear strength, over a safety factor. About 5 MPa for cyanoacrylate on ABS, 6 for epoxy putty, 15 for a solvent joint; peel bears a tenth or less.',
  example: { lapAreaMm2: 60, shearStrengthMPa: 5, loadN: 40, safetyFactor: 4 },
  results: ({ sufficient, allowableN, requiredAreaMm2 }) => [
    { label: 'It bears its load', value: sufficient ? 'yes' : 'no' },
    { label: 'It may carry, N', value: allowableN, digits: 0 },
    { label: 'Area that is needed, mm²', value: requiredAreaMm2, digits: 0 },
  ],
  working: ({ capacityN, allowableN, requiredAreaMm2 }, { lapAreaMm2, shearStrengthMPa, loadN, safetyFactor }) => [
    `${lapAreaMm2} mm² × ${shearStrengthMPa} MPa = ${capacityN.toFixed(1)} N until it breaks`,
    `${capacityN.toFixed(1)} N ÷ ${safetyFactor} = ${allowableN.toFixed(1)} N that it may carry`,
    `${loadN} N × ${safetyFactor} ÷ ${shearStrengthMPa} MPa = ${requiredAreaMm2.toFixed(1)} mm² that are needed`,
  ],
  estimate: 'Strengths differ much between glues, plastics and hands; for peel take a tenth.',
};

const cure: Sum<Cure, ReturnType<typeof cureTime>> = {
  name: 'cure-time',
  title: 'Time to cure',
  summary: 'How long glue, putty or resin takes in a room of another warmth than its sheet’s.',
  input: Joi.object({
    sheetMin: above0('Time by the sheet', 100_000).unit('min').required(),
    sheetC: warmth('Warmth that this is for').default(20),
    actualC: warmth('Warmth of the place').required(),
    lowestC: warmth('Lowest by the sheet').required(),
    highestC: warmth('Highest by the sheet').required(),
  }),
  compute: cureTime,
  source:
    'Double for each 10 °C colder, half for each 10 °C warmer (van ’t Hoff’s rule), within the sheet’s own range.',
  example: { sheetMin: 60, sheetC: 20, actualC: 15, lowestC: 10, highestC: 35 },
  results: ({ cureMin }) => [{ label: 'It cures for', value: cureMin, unit: 'min', digits: 0 }],
  working: ({ cureMin }, { sheetMin, sheetC, actualC }) => [
    `${sheetMin} min × 2^((${sheetC} − ${actualC}) ÷ 10) = ${cureMin.toFixed(0)} min`,
  ],
  estimate: 'A rule of thumb; thick joints and damp air differ.',
};

const mix = (label: string) =>
  Joi.object({
    partsA: above0('Parts of A', 1000).required(),
    partsB: above0('Parts of B', 1000).required(),
    by: Joi.string().valid('mass', 'volume').required().label('Measured by'),
    aGPerCm3: above0('Density of A, g/cm³', 5),
    bGPerCm3: above0('Density of B, g/cm³', 5),
  })
    .required()
    .label(label);

const cast: Sum<Cast, ReturnType<typeof mouldAndCast>> = {
  name: 'mould-and-cast',
  title: 'Mould and cast',
  summary: 'Silicone and resin for a copy of a part, each in its two parts.',
  input: Joi.object({
    boxMm: Joi.array()
      .ordered(
        above0('Length of the box', 2000).unit('mm').required(),
        above0('Width', 2000).unit('mm').required(),
        above0('Height', 2000).unit('mm').required(),
      )
      .required()
      .label('Box inside'),
    partCm3: above0('The part, cm³', 1e6).required(),
    siliconeGPerCm3: above0('Density of the silicone, g/cm³', 5).required(),
    resinGPerCm3: above0('Density of the resin, g/cm³', 5).required(),
    siliconeMix: mix('Silicone'),
    resinMix: mix('Resin'),
    pigmentPercent: Joi.number().min(0).max(100).default(0).unit('%').label('Pigment, of the resin’s mass'),
  }),
  compute: mouldAndCast,
  source:
    'Silicone: what the part leaves of the box, and a tenth more; resin: the part, and 15 % more. Pigment is weighed on top.',
  example: {
    boxMm: [60, 40, 30],
    partCm3: 9,
    siliconeGPerCm3: 1.15,
    resinGPerCm3: 1.05,
    siliconeMix: { partsA: 10, partsB: 1, by: 'mass' },
    resinMix: { partsA: 1, partsB: 1, by: 'volume', aGPerCm3: 1.02, bGPerCm3: 1.08 },
    pigmentPercent: 2,
  },
  results: ({ siliconeAG, siliconeBG, resinAG, resinBG, pigmentG }) => [
    { label: 'Silicone, part A', value: siliconeAG, unit: 'g', digits: 1 },
    { label: 'Silicone, part B', value: siliconeBG, unit: 'g', digits: 1 },
    { label: 'Resin, part A', value: resinAG, unit: 'g', digits: 1 },
    { label: 'Resin, part B', value: resinBG, unit: 'g', digits: 1 },
    { label: 'Pigment', value: pigmentG, unit: 'g', digits: 2 },
  ],
  working: ({ siliconeG, resinG }, { boxMm, partCm3, siliconeGPerCm3, resinGPerCm3 }) => [
    `(${boxMm.join(' × ')} mm − ${partCm3} cm³) × ${siliconeGPerCm3} g/cm³ × 1.1 = ${siliconeG.toFixed(1)} g of silicone`,
    `${partCm3} cm³ × ${resinGPerCm3} g/cm³ × 1.15 = ${resinG.toFixed(1)} g of resin`,
  ],
};

export const MENDING_SUMS = [joint, cure, cast];
