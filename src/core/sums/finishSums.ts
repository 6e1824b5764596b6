import Joi from 'joi';
import { acidBath, BATH_ACIDS, type AcidBath, type AcidHours } from '../finish/acidBath';
import { planCoats } from '../finish/coat';
import { dewPoint } from '../finish/dewPoint';
import { gritLadder } from '../finish/gritLadder';
import { paintAmount, type Painting } from '../finish/paintAmount';
import { tintRecipe, type Recipe, type Tint } from '../finish/tint';
import type { Sum } from './sum';

const dew: Sum<Parameters<typeof dewPoint>[0], ReturnType<typeof dewPoint>> = {
  name: 'dew-point',
  title: 'Dew point',
  summary: 'The warmth of a surface below which water settles on it: nothing is coated within 3 °C of it.',
  input: Joi.object({
    temperatureC: Joi.number().min(-40).max(60).unit('°C').required().label('Air'),
    relativeHumidityPercent: Joi.number().min(1).max(100).unit('%').required().label('Humidity of the air'),
  }),
  compute: dewPoint,
  source: 'Magnus over water, with 17.62 and 243.12 °C (WMO). Coats are laid only on what is 3 °C warmer.',
  example: { temperatureC: 20, relativeHumidityPercent: 50 },
  results: ({ dewPointC }) => [
    { label: 'Dew point', value: dewPointC, unit: '°C', digits: 2 },
    { label: 'Coat only what is warmer than', value: dewPointC + 3, unit: '°C', digits: 1 },
  ],
  working: ({ dewPointC }, { temperatureC, relativeHumidityPercent }) => [
    `γ = ln(${relativeHumidityPercent} ÷ 100) + 17.62 × ${temperatureC} ÷ (243.12 + ${temperatureC})`,
    `243.12 × γ ÷ (17.62 − γ) = ${dewPointC.toFixed(2)} °C`,
  ],
};

const paint: Sum<Painting, ReturnType<typeof paintAmount>> = {
  name: 'paint-amount',
  title: 'Paint for a piece',
  summary: 'How much paint its coats take, with what flies past it.',
  input: Joi.object({
    areaCm2: Joi.number().positive().max(1e6).unit('cm²').required().label('Area'),
    coverageM2PerL: Joi.number().positive().max(100).required().label('One coat covers, m² per litre, by the sheet'),
    coats: Joi.number().integer().min(1).max(20).required().label('Coats'),
    transfer: Joi.number().min(0.05).max(1).required().label('Share that lands on it: 0.6 sprayed, 0.9 brushed'),
  }),
  compute: paintAmount,
  source: 'Area ÷ coverage × coats ÷ the share that lands: about 0.6 by spray, 0.9 by brush.',
  example: { areaCm2: 1200, coverageM2PerL: 10, coats: 2, transfer: 0.6 },
  results: ({ paintMl }) => [{ label: 'Paint', value: paintMl, unit: 'mL', digits: 0 }],
  working: ({ paintMl }, { areaCm2, coverageM2PerL, coats, transfer }) => [
    `${areaCm2} cm² ÷ ${coverageM2PerL} m²/L × ${coats} ÷ ${transfer} = ${paintMl.toFixed(1)} mL`,
  ],
  estimate: 'What flies past depends on the hand, the nozzle and the shape.',
};

const grits: Sum<{ from: number; to: number }, ReturnType<typeof gritLadder>> = {
  name: 'grit-ladder',
  title: 'Papers from coarse to fine',
  summary: 'Which papers to go through so that each takes the scratches of the last out, with as few as can be.',
  input: Joi.object({
    from: Joi.number().positive().max(10_000).required().label('Begin with'),
    to: Joi.number().positive().max(10_000).required().label('End with'),
  }),
  compute: gritLadder,
  source:
    'Each next grit at most double the last, out of those that are sold; as few as possible, then the evenest ratios.',
  example: { from: 120, to: 1000 },
  results: ({ grits: ladder }) => [{ label: 'Papers', value: ladder.join(', ') }],
  working: ({ grits: ladder }) =>
    ladder.slice(1).map((grit, i) => `${ladder[i]!} → ${grit}: ${(grit / ladder[i]!).toFixed(2)} times finer`),
};

const srgb = (label: string) =>
  Joi.array()
    .ordered(
      Joi.number().min(0).max(255).required().label('Red'),
      Joi.number().min(0).max(255).required().label('Green'),
      Joi.number().min(0).max(255).required().label('Blue'),
    )
    .required()
    .label(label);

const tintInput = (pigment: string) => ({
  base: srgb('The base by itself, sRGB'),
  pigments: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().trim().max(60).required().label(pigment),
        tests: Joi.array()
          .items(
            Joi.object({
              concentration: Joi.number().positive().max(1000).required().label('So much of it to 1 of the base'),
              srgb: srgb('What the dry card looks like, sRGB'),
            }),
          )
          .min(1)
          .max(20)
          .required()
          .label('Test cards'),
      }),
    )
    .min(1)
    .max(12)
    .unique('id')
    .required()
    .label(`${pigment}s`),
  target: srgb('The colour that is wanted, sRGB'),
  maxPigments: Joi.number().integer().min(1).max(4).default(4).label('Of so many at most'),
});

const TINT_SOURCE =
  'Single-constant Kubelka and Munk (1931) in each linear band: (1 − R)² ÷ 2R of a mixture is that of the base and what each pigment adds for its amount, by least squares through its test cards. The least ΔE00 over all choices, then the least pigment.';

const TINT_EXAMPLE: Tint = {
  base: [228, 226, 218],
  pigments: [
    { id: 'ochre', tests: [{ concentration: 0.05, srgb: [214, 192, 142] }] },
    { id: 'black', tests: [{ concentration: 0.02, srgb: [176, 175, 170] }] },
    { id: 'red oxide', tests: [{ concentration: 0.03, srgb: [206, 168, 150] }] },
  ],
  target: [206, 196, 168],
  maxPigments: 3,
};

const tintFigures = ({ deltaE00: off, reachable, recipe }: Recipe) => [
  ...recipe
    .filter(({ concentration }) => concentration > 0)
    .map(({ id, concentration }) => ({ label: `${id}, to 1 of the base`, value: concentration, digits: 4 })),
  { label: 'Off the wanted colour, ΔE00', value: off, digits: 2 },
  { label: 'Nobody can tell them apart', value: reachable ? 'yes' : 'no' },
];

const tintWorking = ({ recipe, predicted, deltaE00: off }: Recipe) => [
  ...recipe.map(({ id, concentration }) => `${id}: ${concentration === 0 ? 'left out' : concentration.toFixed(5)}`),
  `It will look like sRGB ${predicted.map((one) => one.toFixed(0)).join(', ')}, ΔE00 ${off.toFixed(2)} off`,
];

const TINT_ESTIMATE =
  'Gloss, wet paint and another lamp look otherwise: make a card, let it dry, and match again from it.';

const tint: Sum<Tint, Recipe> = {
  name: 'tint-recipe',
  title: 'Pigments for a colour',
  summary: 'How much of which pigments in a base come nearest to a colour, by test cards of each.',
  input: Joi.object(tintInput('Pigment')),
  compute: tintRecipe,
  source: TINT_SOURCE,
  example: TINT_EXAMPLE,
  results: tintFigures,
  working: tintWorking,
  estimate: TINT_ESTIMATE,
};

const match: Sum<Tint & { baseG: number }, Recipe & { grams: { id: string; grams: number }[] }> = {
  name: 'paint-match',
  title: 'Paints mixed for a colour',
  summary: 'Which of your paints to mix into a base so that it comes nearest to a piece, and how many grams of each.',
  input: Joi.object({
    ...tintInput('Paint'),
    baseG: Joi.number().positive().max(100_000).unit('g').default(100).label('Base'),
  }),
  compute: ({ baseG, ...given }) => {
    const found = tintRecipe(given);
    return { ...found, grams: found.recipe.map(({ id, concentration }) => ({ id, grams: concentration * baseG })) };
  },
  source: TINT_SOURCE,
  example: { ...TINT_EXAMPLE, baseG: 50 },
  results: (found) => [
    ...found.grams
      .filter(({ grams: mass }) => mass > 0)
      .map(({ id, grams: mass }) => ({ label: id, value: mass, unit: 'g' as const, digits: 2 })),
    ...tintFigures(found).slice(-2),
  ],
  working: tintWorking,
  estimate: TINT_ESTIMATE,
};

const bath: Sum<AcidBath, AcidHours> = {
  name: 'acid-bath',
  title: 'Hours in weak acid',
  summary:
    'How long rusty metal lies in vinegar or citric acid until the rust is loose, and what of the metal goes with it.',
  input: Joi.object({
    acid: Joi.string()
      .valid(...BATH_ACIDS)
      .required()
      .label('Acid'),
    percent: Joi.number().positive().max(100).unit('%').required().label('Strength'),
    temperatureC: Joi.number().min(-20).max(100).unit('°C').required().label('Warmth of the bath'),
    rustUm: Joi.number()
      .positive()
      .max(2000)
      .required()
      .label('Thickness of the rust, µm: bloom 10, scale 50, pits 80'),
  }),
  compute: acidBath,
  source:
    'A rate at 5 % and 20 °C, with the root of the strength, double for each 10 °C warmer: a guess of Kvell’s, listed among its assumptions.',
  example: { acid: 'citric acid', percent: 5, temperatureC: 20, rustUm: 10 },
  results: ({ hours, lowH, highH, metalUm, lookH }) => [
    { label: 'Hours', value: hours, unit: 'h', digits: 1 },
    { label: 'Mostly from', value: lowH, unit: 'h', digits: 1 },
    { label: 'to', value: highH, unit: 'h', digits: 1 },
    { label: 'Look and brush every', value: lookH, unit: 'h', digits: 1 },
    { label: 'Metal that goes with it, µm', value: metalUm, digits: 1 },
  ],
  working: ({ hours }, { rustUm, percent, temperatureC }) => [
    `${rustUm} µm ÷ (rate × √(${percent} ÷ 5) × 2^((${temperatureC} − 20) ÷ 10)) = ${hours.toFixed(1)} h`,
  ],
  estimate: 'What the rust is like decides as much: out as soon as the metal is grey.',
};

interface CoatHours {
  coats: number;
  touchH: number;
  soonestH: number;
  latestH?: number;
  againFromH?: number;
  lowestC: number;
  highestC: number;
  highestHumidityPercent: number;
  hours: { airC: number; surfaceC: number; humidityPercent: number; windMs: number; rainMm: number }[];
}

/** Any beginning: the sum counts hours from it. */
const ZERO = Date.UTC(2000, 0, 1);

const coatPlan: Sum<CoatHours, { starts: number[]; missing: string }> = {
  name: 'coat-plan',
  title: 'Coats laid into hours',
  summary:
    'Which hours of a forecast each coat falls into, so that the last is laid as early as the sheet and the air let it.',
  input: Joi.object({
    coats: Joi.number().integer().min(1).max(12).required().label('Coats'),
    touchH: Joi.number().min(0).max(100).unit('h').required().label('Dry to the touch after'),
    soonestH: Joi.number().min(0).max(1000).unit('h').required().label('Next coat from'),
    latestH: Joi.number().min(Joi.ref('soonestH')).max(1000).unit('h').label('Next coat until'),
    againFromH: Joi.number().greater(Joi.ref('latestH')).max(2000).unit('h').label('Or again from'),
    lowestC: Joi.number().min(-10).max(60).unit('°C').required().label('Lowest'),
    highestC: Joi.number().greater(Joi.ref('lowestC')).max(60).unit('°C').required().label('Highest'),
    highestHumidityPercent: Joi.number().min(1).max(100).unit('%').required().label('Dampest air'),
    hours: Joi.array()
      .items(
        Joi.object({
          airC: Joi.number().min(-50).max(60).unit('°C').required().label('Air'),
          surfaceC: Joi.number().min(-50).max(80).unit('°C').required().label('Surface'),
          humidityPercent: Joi.number().min(1).max(100).unit('%').required().label('Humidity'),
          windMs: Joi.number().min(0).max(80).default(0).label('Wind, m/s'),
          rainMm: Joi.number().min(0).max(200).default(0).label('Rain, mm'),
        }),
      )
      .min(1)
      .max(400)
      .required()
      .label('Hours, one after the other'),
  }).with('againFromH', 'latestH'),
  compute: ({ coats, hours, latestH = null, againFromH = null, ...limits }) => {
    const sheet = { ...limits, latestH, againFromH, throughH: 0, keyed: false };
    const plan = planCoats(
      Array.from({ length: coats }, (_, i) => ({ name: `coat ${i + 1}`, sheet })),
      hours.map((hour, i) => ({ ...hour, at: new Date(ZERO + i * 3_600_000) })),
      { way: 'sprayed', inside: false },
    );
    return {
      starts: plan.coats.map(({ at }) => (at.getTime() - ZERO) / 3_600_000),
      missing: plan.misses ? `${plan.misses.name}: ${plan.misses.most}` : 'none',
    };
  },
  source:
    'Each coat needs air that its sheet allows, 3 °C above the dew point, until dust no longer settles; the next falls within its recoat time or after the bad time. The earliest end of all rows of hours.',
  example: {
    ...{ coats: 2, touchH: 1, soonestH: 1, latestH: 4, againFromH: 48, lowestC: 10, highestC: 30 },
    highestHumidityPercent: 80,
    hours: [95, 70, 60, 55, 55].map((humidityPercent) => ({
      ...{ airC: 18, surfaceC: 18, humidityPercent, windMs: 1, rainMm: 0 },
    })),
  },
  results: ({ starts, missing }) => [
    { label: 'Begin in hour', value: starts.join(', ') || 'none' },
    { label: 'Finds no hour', value: missing },
  ],
  working: ({ starts }) => starts.map((hour, i) => `coat ${i + 1}: hour ${hour}`),
  estimate: 'A forecast is one: before each coat the meters decide.',
};

export const FINISH_SUMS = [dew, paint, grits, tint, match, bath, coatPlan];
