import Joi from 'joi';
import { ORDER_STEPS, type OrderStep } from '@/core/mending/orderSteps';
import { MOST } from '@/core/limits';
import type { DonorSize } from '@/core/mending/donorMatch';
import type { AgentId, OwnAgent } from '@/core/materials/agents';
import { FAMILY_NAMES, type Family } from '@/core/materials/families';
import { SOIL_IDS, type SoilId } from '@/core/cleaning/soils';
import { SURFACE_IDS, type OwnSurface, type SurfaceId } from '@/core/materials/surfaces';
import type { AgedBottle, GasTest } from '@/core/peroxide/agedBottle';
import { TEST_WAYS, type TestWay } from '@/core/peroxide/bottle';
import { STRENGTH_UNITS, type StrengthUnit } from '@/core/peroxide/strength';
import { agentSchema, surfaceSchema } from '@/core/materials/schema';
import { STOCK_KINDS } from '@/core/ledger/left';
import { TAKES, type Often } from './takes';

export interface StockForm {
  name: string;
  kind: (typeof STOCK_KINDS)[number];
  strengthValue: number | null;
  strengthUnit: StrengthUnit;
  sizeMl: number | null;
  price: number | null;
  words: string;
}

const isPeroxide = Joi.string().valid('peroxide liquid', 'peroxide cream');

/** What goes into the stores. Peroxide needs the strength of its label. */
export const stockSchema = Joi.object<StockForm>({
  name: Joi.string().trim().max(MOST.name).required().label('Name'),
  kind: Joi.string()
    .valid(...STOCK_KINDS)
    .required()
    .label('Kind'),
  strengthValue: Joi.number()
    .positive()
    .max(2000)
    .empty('')
    .when('kind', { is: isPeroxide, then: Joi.required(), otherwise: Joi.optional().default(null) })
    .label('Strength on the label')
    .messages({
      'any.required': 'Peroxide without a strength cannot be planned with. Copy the number from its label.',
    }),
  strengthUnit: Joi.string()
    .valid(...STRENGTH_UNITS)
    .default('percentWW')
    .label('Unit of the strength'),
  sizeMl: Joi.number().positive().max(MOST.stockMl).empty('').default(null).allow(null).label('Content'),
  price: Joi.number().min(0).max(MOST.money).empty('').default(null).allow(null).label('Price'),
  words: Joi.string().trim().max(MOST.words).allow('').default('').label('Remarks'),
}).messages({ 'string.empty': '{#label} is empty. Write what the label says.' });

const partMm = (label: string) =>
  Joi.number().positive().max(MOST.donorPartMm).empty('').allow(null).default(null).unit('mm').label(label);
const labPart = (label: string, least: number, most: number) =>
  Joi.number().min(least).max(most).empty('').allow(null).default(null).label(label);

export const donorSchema = Joi.object<{ name: string; words: string }>({
  name: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('Donor')
    .messages({ 'string.empty': 'Say which machine it is, like “Orvane Slab, cracked”.' }),
  words: Joi.string().trim().max(MOST.words).allow('').default('').label('Remarks'),
});

export interface DonorPartForm extends Record<DonorSize, number | null> {
  donorId: string;
  what: string;
  labL: number | null;
  labA: number | null;
  labB: number | null;
  words: string;
}

export const donorPartSchema = Joi.object<DonorPartForm>({
  donorId: Joi.string().max(60).required(),
  what: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('What it is')
    .messages({ 'string.empty': 'Say what it is, like “rubber foot” or “wide key cap”.' }),
  lengthMm: partMm('Length'),
  widthMm: partMm('Width'),
  heightMm: partMm('Height'),
  spacingMm: partMm('Spacing of its holes'),
  labL: labPart('Its colour, L*', 0, 100),
  labA: labPart('a*', -128, 128),
  labB: labPart('b*', -128, 128),
  words: Joi.string().trim().max(MOST.words).allow('').default('').label('Remarks'),
})
  // Empty fields have become null by now, which `and` would take for given.
  .custom((part: DonorPartForm, helpers) => {
    const given = [part.labL, part.labA, part.labB].filter((one) => one !== null).length;
    return given % 3 === 0 ? part : helpers.error('colour.half');
  })
  .messages({ 'colour.half': 'A colour has three numbers, L*, a* and b*: give all three, or none.' });

const aOrB = Joi.number().min(-128).max(128);

/** The colour of a part of a donor, as it was read off a photograph. */
export const donorColourSchema = Joi.object<{ partId: string; lab: [number, number, number] }>({
  partId: Joi.string().max(60).required(),
  lab: Joi.array().ordered(Joi.number().min(0).max(100), aOrB, aOrB).length(3).required(),
});

export const takeDonorSchema = Joi.object<{ partId: string; restorationId: string }>({
  partId: Joi.string().max(60).required(),
  restorationId: Joi.string()
    .max(60)
    .required()
    .messages({ 'string.empty': 'Choose for which restoration it is taken.' }),
});

export const putBackSchema = Joi.object<{ partId: string }>({ partId: Joi.string().max(60).required() });

/** What somebody found to be left in a bottle, mL, or g of powder. */
export const countSchema = Joi.object<{ stockId: string; found: number }>({
  stockId: Joi.string().required().label('Bottle'),
  found: Joi.number()
    .min(0)
    .max(1_000_000)
    .required()
    .label('Left in it')
    .messages({ 'number.base': 'Give how much is left as a number; 0 when it is empty.' }),
});

/** Asked for one way; the form sends what it asks for the others too, filled or not. */
const forWay = (way: TestWay, value: Joi.NumberSchema) =>
  value.empty('').when('how', { is: way, then: Joi.required(), otherwise: Joi.optional().strip() });

/** How strong a bottle was found to be: by the gas of a sample, by its age, or by another test. */
export const testSchema = Joi.object<{ stockId: string; how: TestWay } & AgedBottle & GasTest & { percentWW: number }>({
  stockId: Joi.string().required(),
  how: Joi.string()
    .valid(...TEST_WAYS)
    .required()
    .label('Found'),
  sampleMl: forWay('gas', Joi.number().positive().max(500).label('Sample')),
  gasMl: forWay('gas', Joi.number().min(0).max(100_000).label('Gas')),
  gasC: forWay('gas', Joi.number().min(0).max(60).label('Temperature')),
  pressureHPa: forWay('gas', Joi.number().min(500).max(1100).label('Air pressure')),
  months: forWay('age', Joi.number().min(0).max(240).label('Since it was made')),
  openMonths: forWay('age', Joi.number().min(0).max(240).label('Of them open')),
  storageC: forWay('age', Joi.number().min(-10).max(50).label('Where it stands')),
  percentWW: forWay('other', Joi.number().min(0).max(50).label('Strength now')),
});

const agent = agentSchema.required();

export const haveAgentSchema = Joi.object<{ agent: AgentId; owned: boolean }>({
  agent,
  owned: Joi.boolean().required(),
});

export const ownVerdictSchema = Joi.object<{
  agent: AgentId;
  surface: SurfaceId;
  verdict: 'test first' | 'never';
  reason: string;
}>({
  agent,
  surface: surfaceSchema.required(),
  verdict: Joi.string().valid('test first', 'never').required().label('Verdict'),
  reason: Joi.string()
    .trim()
    .max(500)
    .required()
    .label('Because')
    .messages({ 'string.empty': 'Say why; it stands beside the verdict in every ladder.' }),
});

const title = Joi.string()
  .trim()
  .max(80)
  .required()
  .label('Name')
  .messages({ 'string.empty': 'Give it the name that stands on it, without its maker.' });

interface OwnAgentForm extends Omit<OwnAgent, 'id' | 'source' | 'takes' | 'perLitre'> {
  soils: SoilId[];
  often: Often;
  litre: number | null;
}

/** An agent of the workshop's own: what it is made of decides what it may touch. */
export const ownAgentSchema = Joi.object<OwnAgentForm>({
  title,
  does: Joi.string().trim().max(200).allow('').default('').label('What it does'),
  families: Joi.array()
    .items(Joi.string<Family>().valid(...FAMILY_NAMES))
    .min(1)
    .unique()
    .required()
    .label('Made of')
    .messages({ 'array.min': 'Tick what it is made of or does; without that nobody can say what it may touch.' }),
  roughness: Joi.number().integer().min(0).max(9).required().label('Roughness'),
  wet: Joi.string().valid('dry', 'damp', 'bath').required().label('How wet'),
  leaves: Joi.string().valid('nothing', 'water', 'alcohol', 'vinegar', 'oil').required().label('What dries last'),
  dwellMin: Joi.number().min(0).max(2880).required().label('Left to work'),
  handsMin: Joi.number().min(0).max(240).required().label('Hands'),
  rinse: Joi.string().trim().max(200).allow('').default('').label('Rinse'),
  protection: Joi.string()
    .trim()
    .max(200)
    .required()
    .label('Protection')
    .messages({ 'string.empty': 'Copy from its sheet what to wear; write “none” where it asks for nothing.' }),
  litre: Joi.number().positive().max(1000).empty('').default(null).allow(null).label('In a litre of bath'),
  bathC: Joi.number().min(5).max(50).empty('').default(null).allow(null).label('Bath'),
  soils: Joi.array()
    .items(Joi.string<SoilId>().valid(...SOIL_IDS))
    .min(1)
    .unique()
    .required()
    .label('Takes off')
    .messages({ 'array.min': 'Tick at least one soil that it is meant for.' }),
  often: Joi.string()
    .valid(...(Object.keys(TAKES) as Often[]))
    .required()
    .label('How often'),
});

export const ownSurfaceSchema = Joi.object<Omit<OwnSurface, 'id'>>({
  title,
  like: Joi.string()
    .valid(...SURFACE_IDS)
    .required()
    .label('Like'),
});

const orderId = Joi.string().max(60).required();

export const wantSchema = Joi.object<{ what: string; restorationId: string | null; words: string }>({
  what: Joi.string()
    .trim()
    .max(MOST.name)
    .required()
    .label('What')
    .messages({ 'string.empty': 'Say what is wanted, like “four rubber feet, 14 mm”.' }),
  restorationId: Joi.string().max(60).allow(null).empty('').default(null).label('For which machine'),
  words: Joi.string().trim().max(MOST.words).allow('').default('').label('Where from'),
});

export const delaySchema = Joi.object<{ orderId: string; dueDays: number }>({
  orderId: Joi.string().max(60).required(),
  dueDays: Joi.number().integer().min(0).max(3650).required().label('Comes in'),
});

export const placeSchema = Joi.object<{ orderId: string; price: number | null; dueDays: number | null }>({
  orderId,
  price: Joi.number().min(0).max(MOST.money).allow(null).empty('').default(null).label('Price'),
  dueDays: Joi.number().integer().min(0).max(730).unit('days').allow(null).empty('').default(null).label('Expected in'),
});

export const moveSchema = Joi.object<{ orderId: string; step: Exclude<OrderStep, 'ordered'> }>({
  orderId,
  step: Joi.string()
    .valid(...ORDER_STEPS.filter((step) => step !== 'ordered'))
    .required(),
});

export const orderBackSchema = Joi.object<{ orderId: string }>({ orderId });

const DAY = /^\d{4}-\d\d-\d\d$/;
const wholeDays = (label: string, most: number) =>
  Joi.number().integer().min(0).max(most).empty('').allow(null).default(null).label(label);

/** What is said of something on the shelf. */
export const careSchema = Joi.object<{
  stockId: string;
  low: number | null;
  shelf: string;
  openedAt: string | null;
  keepsDays: number | null;
  deliveryDays: number | null;
}>({
  stockId: Joi.string().max(60).required(),
  low: Joi.number().min(0).max(MOST.stockMl).empty('').allow(null).default(null).label('Lowest stock wanted'),
  shelf: Joi.string().trim().max(MOST.name).allow('').default('').label('Stands at'),
  openedAt: Joi.string()
    .pattern(DAY)
    .empty('')
    .allow(null)
    .default(null)
    .label('Opened on')
    .messages({ 'string.pattern.base': 'Give the day like 2026-06-21, or nothing.' }),
  keepsDays: wholeDays('Keeps, once open', 36_500).min(1),
  deliveryDays: wholeDays('A new one takes', 365),
});

export const stockIdSchema = Joi.object<{ stockId: string }>({ stockId: Joi.string().max(60).required() });
