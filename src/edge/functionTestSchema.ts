import Joi from 'joi';
import { TEST_ITEMS, TEST_PHASES, TEST_STATES, type TestPhase, type TestResults } from '@/core/runsheet/functionTest';

const state = Joi.string()
  .valid(...TEST_STATES)
  .required();

/** What a function test sends, at intake and before the case is closed. */
export const functionTestSchema = Joi.object<TestResults & { restorationId: string; phase: TestPhase; waivedWhy: string }>({
  restorationId: Joi.string().required(),
  phase: Joi.string()
    .valid(...TEST_PHASES)
    .required()
    .label('When'),
  waivedWhy: Joi.string().trim().max(500).allow('').default('').label('Waived, because'),
  ...Object.fromEntries(TEST_ITEMS.map((item) => [item, state.label(item)])),
});
