import type { Answer } from './answer';

/** The errors of an answer as one text, for tests and for the server's output; empty where it went well. */
export const wrongs = <T>(answered: Answer<T>): string =>
  answered.ok ? '' : answered.errors.map(({ field, message }) => `${field}: ${message}`).join('\n');
