import Joi from 'joi';
import { TEST_STATES, type TestResults, type TestWords } from './functionTest';

/** What an item of a test is called. */
const item = /^\S(.{0,58}\S)?$/;
const state = Joi.string().valid(...TEST_STATES);

/** Items of a test and how each was found. */
export const testResultsSchema = Joi.object<TestResults>().pattern(item, state).min(1).max(60);
/** A note on each. */
export const testWordsSchema = Joi.object<TestWords>().pattern(item, Joi.string().trim().max(200));
