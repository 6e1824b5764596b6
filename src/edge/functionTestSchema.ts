import Joi from 'joi';
import { MOST } from '@/core/limits';
import { TEST_PHASES, type TestPhase, type TestResults, type TestWords } from '@/core/runsheet/functionTest';
import { testResultsSchema, testWordsSchema } from '@/core/runsheet/functionTestSchema';

/** What a function test sends, at intake and before the case is closed. */
export const functionTestSchema = Joi.object<{
  restorationId: string;
  phase: TestPhase;
  results: TestResults;
  words: TestWords;
  waivedWhy: string;
}>({
  restorationId: Joi.string().required(),
  phase: Joi.string()
    .valid(...TEST_PHASES)
    .required()
    .label('When'),
  results: testResultsSchema.required().label('What was tested'),
  words: testWordsSchema.default({}).label('A note on each'),
  waivedWhy: Joi.string().trim().max(MOST.few).allow('').default('').label('Waived, because'),
});
