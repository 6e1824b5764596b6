import Joi from 'joi';

const step = Joi.string().required();

/** One thing must be on before another, as teardown and rebuild both send it. */
export const blockSchema = Joi.object<{ firstId: string; thenId: string; why: string }>({
  firstId: step.label('Goes on first'),
  thenId: step.label('And only then'),
  why: Joi.string().trim().max(500).allow('').default('').label('Why'),
});
