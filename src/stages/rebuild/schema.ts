import Joi from 'joi';

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

export const stepWordsSchema = Joi.object<{ stepId: string; words: string; by: string }>({
  stepId: id,
  by: Joi.string().trim().max(80).allow('').default('').label('Who'),
  words: Joi.string().trim().max(500).allow('').default('').label('Remarks'),
});

export const idSchema = Joi.object<{ id: string }>({ id });
