import Joi from 'joi';
import { MOST } from './limits';
import {
  TEST_PHASES,
  TEST_STATES,
  type TestPhase,
  type TestResults,
  type TestWords,
} from '@/core/runsheet/functionTest';

/** What an item of a test is called. */
const item = /^\S(.{0,58}\S)?$/;
const state = Joi.string().valid(...TEST_STATES);

/** Items of a test and how each was found. */
export const testResultsSchema = Joi.object<TestResults>().pattern(item, state).min(1).max(60);
/** A word to each. */
export const testWordsSchema = Joi.object<TestWords>().pattern(item, Joi.string().trim().max(200));

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
  words: testWordsSchema.default({}).label('A word to each'),
  waivedWhy: Joi.string().trim().max(MOST.few).allow('').default('').label('Waived, because'),
});
