import Joi from 'joi';
import { bossAndScrew, SHANKS, type BossAndScrew, type Screwed } from '../mending/bossAndScrew';
import { mouldAndCast, type Cast } from '../mending/cast';
import { cureTime, type Cure } from '../mending/cure';
import { feetLevel, type Feet, type Stood } from '../mending/feetLevel';
import { adhesiveJoint, type Joint } from '../mending/joint';
import { printFit, type Fitted, type PrintFit } from '../mending/printFit';
import { pinInStub, type Pinned, type StubAndPin } from '../mending/pinInStub';
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

const FACTOR = Joi.number().min(1).max(20).default(3).label('Safety factor');

const pinned: Sum<StubAndPin, Pinned> = {
  name: 'pin-in-stub',
  title: 'A pin in a hinge stub',
  summary: 'How thick and deep a metal pin is set into a snapped stub so that it does not split, and what it carries.',
  input: Joi.object({
    stubMm: above0('Diameter of the stub', 60).unit('mm').required(),
    deepestMm: above0('It can be drilled to', 200).unit('mm').required(),
    pinMm: above0('Diameter of the pin', 20).unit('mm').allow(null).default(null),
    loadN: above0('Load across it, N', 1e5).required(),
    armMm: Joi.number().min(0).max(200).default(0).unit('mm').label('It pulls so far outside of the stub'),
    bearingMPa: above0('What the plastic bears, MPa', 500).default(20),
    bendingMPa: above0('What the metal bears, MPa', 3000).default(250),
    safetyFactor: FACTOR,
  }),
  compute: pinInStub,
  source:
    'A rigid pin in its hole: F ÷ (d · L) · (1 + 6 (a + L/2) ÷ L) on the plastic, 32 F a ÷ (π d³) in the metal. Wall and depth are conventions of Kvell; about 20 MPa for old ABS, 250 MPa for plain steel.',
  example: {
    ...{ stubMm: 6, deepestMm: 12, pinMm: null, loadN: 15, armMm: 2 },
    ...{ bearingMPa: 20, bendingMPa: 250, safetyFactor: 3 },
  },
  results: ({ pinMm, drillMm, depthMm, wallMm, splits, allowableN, sufficient }) => [
    { label: 'Pin', value: pinMm, unit: 'mm', digits: 1 },
    { label: 'Drill', value: drillMm, unit: 'mm', digits: 1 },
    { label: 'Depth', value: depthMm, unit: 'mm', digits: 1 },
    { label: 'Wall that is left', value: wallMm, unit: 'mm', digits: 1 },
    { label: 'The stub', value: splits ? 'may split: take a thinner pin' : 'keeps its wall' },
    { label: 'It may carry, N', value: allowableN, digits: 0 },
    { label: 'It bears its load', value: sufficient ? 'yes' : 'no' },
  ],
  working: ({ pinMm, depthMm, pressureMPa, bentMPa, limit }, { loadN }) => [
    `a pin of ${pinMm} mm, ${depthMm.toFixed(1)} mm deep: with ${loadN} N it presses ${pressureMPa.toFixed(1)} MPa on the plastic and is bent to ${bentMPa.toFixed(0)} MPa`,
    limit === 'plastic' ? 'the plastic gives way first' : 'the pin bends first',
  ],
  estimate: 'Old plastic differs much; a crack beside the hole takes most of it.',
};

const VERDICTS: Record<Screwed['verdict'], string> = {
  holds: 'it holds',
  weak: 'it holds weakly: a longer straight shank, or a sleeve',
  spins: 'it spins: a sleeve over the boss, or filled and drilled again',
  bursts: 'the boss may burst: a sleeve over it first',
};

const screwed: Sum<BossAndScrew, Screwed> = {
  name: 'boss-and-screw',
  title: 'A screw in a plastic boss',
  summary: 'Whether a screw holds in its boss, the torque at which old plastic strips, and where to stop.',
  input: Joi.object({
    bossMm: above0('Outer diameter of the boss', 60).unit('mm').required(),
    holeMm: above0('Its hole now', 60).unit('mm').required(),
    threadMm: above0('Diameter over the thread', 20).unit('mm').required(),
    coreMm: above0('Diameter at its root', 20).unit('mm').required(),
    pitchMm: above0('From turn to turn', 10).unit('mm').required(),
    shank: Joi.string()
      .valid(...SHANKS)
      .default('straight')
      .label('Shank'),
    engagedMm: above0('Thread in the plastic', 100).unit('mm').required(),
    shearMPa: above0('What the plastic bears in shear, MPa', 200).default(12),
    friction: Joi.number().min(0).max(1).default(0.25).label('Friction'),
  }),
  compute: bossAndScrew,
  source:
    'The thread bites into a cylinder as wide as itself, sheared along it; torque = pull × d/2 × (p + π μ d) ÷ (π d − μ p) at the middle of the thread. What a taper and the turns leave of it are guesses of Kvell.',
  example: {
    ...{ bossMm: 7, holeMm: 2.4, threadMm: 3, coreMm: 2, pitchMm: 1.2, shank: 'tapered' },
    ...{ engagedMm: 8, shearMPa: 12, friction: 0.25 },
  },
  results: ({ verdict, bite, wallMm, stripsNcm, stopNcm }) => [
    { label: 'The screw', value: VERDICTS[verdict] },
    { label: 'Of its thread bites', value: 100 * bite, unit: '%', digits: 0 },
    { label: 'Wall round the thread', value: wallMm, unit: 'mm', digits: 1 },
    { label: 'Stop here, N·cm', value: stopNcm, digits: 0 },
    { label: 'It strips at, N·cm', value: stripsNcm, digits: 0 },
  ],
  working: ({ bite, pullOutN, stripsNcm }, { holeMm, threadMm, coreMm }) => [
    `(${threadMm} − ${holeMm}) ÷ (${threadMm} − ${coreMm}) = ${bite.toFixed(2)} of the thread bites`,
    `it tears out at ${pullOutN.toFixed(0)} N, which a torque of ${stripsNcm.toFixed(0)} N·cm makes`,
  ],
  estimate: 'Old plastic cracks when a screw is merely snug: stop early.',
};

const foot = (label: string) => Joi.number().positive().max(100).unit('mm').required().label(label);

const feet: Sum<Feet, Stood> = {
  name: 'feet-level',
  title: 'Four feet that stand',
  summary: 'Whether a case rocks on its feet, which foot goes to which corner, and what is laid under.',
  input: Joi.object({
    heightsMm: Joi.array()
      .ordered(foot('Front left'), foot('Front right'), foot('Back right'), foot('Back left'))
      .length(4)
      .required()
      .label('Heights of the feet'),
    widthMm: above0('Between them along the front', 2000).unit('mm').required(),
    depthMm: above0('Between them from front to back', 2000).unit('mm').required(),
    massKg: above0('What stands on them, kg', 100).required(),
    diameterMm: above0('Diameter of a foot', 100).unit('mm').required(),
    shoreA: Joi.number().min(10).max(98).default(70).label('Hardness, Shore A'),
  }),
  compute: feetLevel,
  source:
    'A stiff case on four feet: one diagonal against the other. Each foot a spring of E · area ÷ height; E by Shore A after Gent (1958).',
  example: {
    ...{ heightsMm: [8, 7.4, 8.1, 8], widthMm: 310, depthMm: 220 },
    ...{ massKg: 2.6, diameterMm: 14, shoreA: 70 },
  },
  results: ({ rocks, rockMm, under, shimMm, order, orderRockMm, forwardDeg, sidewardDeg }) => [
    { label: 'It rocks', value: rocks ? 'yes' : 'no' },
    { label: 'One corner hangs free by', value: rockMm, unit: 'mm', digits: 2 },
    { label: 'Lay under the foot', value: rockMm === 0 ? 'none' : `${under}, ${shimMm.toFixed(2)} mm` },
    { label: 'Feet from front left round, by their numbers', value: order.join(', ') },
    { label: 'In that order it hangs free by', value: orderRockMm, unit: 'mm', digits: 2 },
    { label: 'The front stands higher by, °', value: forwardDeg, digits: 1 },
    { label: 'The left stands higher by, °', value: sidewardDeg, digits: 1 },
  ],
  working: ({ rockMm, pressedMm }, { heightsMm: [a, b, c, d] }) => [
    `|(${a} + ${c}) − (${b} + ${d})| = ${rockMm.toFixed(2)} mm between the diagonals`,
    `the weight presses up to ${pressedMm.toFixed(2)} mm of that out of the feet`,
  ],
  estimate:
    'The case is taken for stiff and its weight for in the middle; an old rubber foot is harder than a new one.',
};

const fit: Sum<PrintFit, Fitted> = {
  name: 'print-fit',
  title: 'What a printer adds and takes away',
  summary:
    'From a test bar that was printed once: how a part is scaled, and how its pins and holes are drawn so that they fit.',
  input: Joi.object({
    barMm: above0('Bar of 100 mm, as it came out', 200).unit('mm').required(),
    pinMm: above0('Pin of 10 mm, as it came out', 50).unit('mm').required(),
    holeMm: above0('Hole of 10 mm, as it came out', 50).unit('mm').required(),
    intoMm: above0('Hole that a pin goes into', 500).unit('mm').required(),
    clearanceMm: Joi.number().min(-1).max(20).default(0.2).unit('mm').label('Clearance between them'),
  }),
  compute: printFit,
  source: 'Outer sizes come out as s · size + o, holes as s · size − o; least squares through bar, pin and hole.',
  example: { barMm: 99.6, pinMm: 10.1, holeMm: 9.7, intoMm: 6, clearanceMm: 0.2 },
  results: ({ scalePercent, growMm, drawPinMm, drawHoleMm, restMm }) => [
    { label: 'Scale everything by', value: scalePercent, unit: '%', digits: 2 },
    { label: 'It draws wider by', value: growMm, unit: 'mm', digits: 2 },
    { label: 'Draw the pin', value: drawPinMm, unit: 'mm', digits: 2 },
    { label: 'Draw such a hole', value: drawHoleMm, unit: 'mm', digits: 2 },
    { label: 'The three sizes are off this by', value: restMm, unit: 'mm', digits: 2 },
  ],
  working: ({ shrink, growMm, drawPinMm }, { intoMm, clearanceMm }) => [
    `s = ${shrink.toFixed(4)}, o = ${growMm.toFixed(3)} mm`,
    `(${intoMm} − ${clearanceMm} − ${growMm.toFixed(3)}) ÷ ${shrink.toFixed(4)} = ${drawPinMm.toFixed(2)} mm`,
  ],
  estimate: 'For this printer, this plastic and walls of about this size: print the bar again with another roll.',
};

export const MENDING_SUMS = [joint, cure, cast, pinned, screwed, feet, fit];
