import Joi from 'joi';
import { AGENT_IDS, type AgentId } from '@/core/cleaning/agents';
import { SURFACE_IDS, type SurfaceId } from '@/core/cleaning/surfaces';
import { STRENGTH_UNITS, type StrengthUnit } from '@/core/peroxide/strength';
import { STOCK_KINDS } from './kinds';

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
  name: Joi.string().trim().max(120).required().label('Name'),
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
    .messages({ 'any.required': 'Peroxide without a strength cannot be planned with. Copy the number from its label.' }),
  strengthUnit: Joi.string()
    .valid(...STRENGTH_UNITS)
    .default('percentWW')
    .label('Unit of the strength'),
  sizeMl: Joi.number().positive().max(1_000_000).empty('').default(null).allow(null).label('Content'),
  price: Joi.number().min(0).max(1_000_000).empty('').default(null).allow(null).label('Price'),
  words: Joi.string().trim().max(1000).allow('').default('').label('Remarks'),
}).messages({ 'string.empty': '{#label} is empty. Write what the label says.' });

const agent = Joi.string()
  .valid(...AGENT_IDS)
  .required()
  .label('Agent');

export const haveAgentSchema = Joi.object<{ agent: AgentId; owned: boolean }>({ agent, owned: Joi.boolean().required() });

export const ownVerdictSchema = Joi.object<{ agent: AgentId; surface: SurfaceId; verdict: 'test first' | 'never'; reason: string }>({
  agent,
  surface: Joi.string()
    .valid(...SURFACE_IDS)
    .required()
    .label('Surface'),
  verdict: Joi.string().valid('test first', 'never').required().label('Verdict'),
  reason: Joi.string()
    .trim()
    .max(500)
    .required()
    .label('Because')
    .messages({ 'string.empty': 'Say why; it stands beside the verdict in every ladder.' }),
});
