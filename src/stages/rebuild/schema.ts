import Joi from 'joi';
import { MOST } from '@/core/limits';

const id = Joi.string().required();
const howMany = Joi.number().integer().min(1).max(500).required().label('How many');

export const tickSchema = Joi.object<{ lotId: string; count: number; lengthMm: number; expected: number }>({
  lotId: id,
  count: howMany,
  lengthMm: Joi.number().positive().max(MOST.fastenerMm).required().label('Length in hand'),
  expected: Joi.number().integer().min(0).required(),
});

export const explainSchema = Joi.object<{ lotId: string; count: number; words: string }>({
  lotId: id,
  count: howMany,
  words: Joi.string().trim().max(MOST.few).allow('').default('').label('What became of them'),
});

export const stepWordsSchema = Joi.object<{ stepId: string; words: string; by: string }>({
  stepId: id,
  by: Joi.string().trim().max(MOST.person).allow('').default('').label('Who'),
  words: Joi.string().trim().max(MOST.few).allow('').default('').label('Remarks'),
});

export const idSchema = Joi.object<{ id: string }>({ id });
