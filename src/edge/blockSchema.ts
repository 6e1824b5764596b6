import Joi from 'joi';
import { MOST } from '@/core/limits';

const step = Joi.string().required();

/** One thing must be on before another, as teardown and rebuild both send it. */
export const blockSchema = Joi.object<{ firstId: string; thenId: string; why: string }>({
  firstId: step.label('Goes on first'),
  thenId: step.label('And only then'),
  why: Joi.string().trim().max(MOST.few).allow('').default('').label('Why'),
});
