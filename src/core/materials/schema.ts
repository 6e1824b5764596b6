import Joi from 'joi';
import { AGENT_IDS } from '@/core/materials/agents';
import { SURFACE_IDS } from '@/core/materials/surfaces';

/** What a workshop added itself; whether it really has it is for the data to say. */
const OWN = /^own-[0-9a-f-]{36}$/;

const knownOrOwn = (ids: readonly string[]) =>
  Joi.alternatives(Joi.string().valid(...ids), Joi.string().pattern(OWN)).messages({
    'alternatives.match':
      '{#label} is none of those in the list. Choose one of them, or add your own under Stores, cleaning agents.',
  });

export const agentSchema = knownOrOwn(AGENT_IDS).label('Agent');
export const surfaceSchema = knownOrOwn(SURFACE_IDS).label('Surface');
