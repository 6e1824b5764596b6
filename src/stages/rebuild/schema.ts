import Joi from 'joi';
import { TEST_ITEMS, TEST_PHASES, TEST_STATES, type TestPhase, type TestResults } from '@/core/runsheet/functionTest';

const id = Joi.string().required();
const howMany = Joi.number().integer().min(1).max(500).required().label('How many');

export const tickSchema = Joi.object<{ lotId: string; count: number; lengthMm: number; expected: number }>({
  lotId: id,
  count: howMany,
  lengthMm: Joi.number().positive().max(300).required().label('Length in hand'),
  expected: Joi.number().integer().min(0).required(),
});

export const explainSchema = Joi.object<{ lotId: string; count: number; words: string }>({
  lotId: id,
  count: howMany,
  words: Joi.string().trim().max(500).allow('').default('').label('What became of them'),
});

export const stepWordsSchema = Joi.object<{ stepId: string; words: string }>({
  stepId: id,
  words: Joi.string().trim().max(500).allow('').default('').label('Remarks'),
});

export const idSchema = Joi.object<{ id: string }>({ id });

const state = Joi.string()
  .valid(...TEST_STATES)
  .required();

export const functionTestSchema = Joi.object<TestResults & { restorationId: string; phase: TestPhase; waivedWhy: string }>({
  restorationId: id,
  phase: Joi.string()
    .valid(...TEST_PHASES)
    .required()
    .label('When'),
  waivedWhy: Joi.string().trim().max(500).allow('').default('').label('Waived, because'),
  ...Object.fromEntries(TEST_ITEMS.map((item) => [item, state.label(item)])),
});
