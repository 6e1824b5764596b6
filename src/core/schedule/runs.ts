/** What came of a task that was begun at the bench. */
export const RUN_OUTCOMES = ['done', 'not yet', 'could not'] as const;
export type RunOutcome = (typeof RUN_OUTCOMES)[number];

/** Why it could not be done. */
export const COULD_NOT = [
  'no time',
  'something is missing',
  'it did not work',
  'the weather',
  'something else',
] as const;
export type CouldNot = (typeof COULD_NOT)[number];
