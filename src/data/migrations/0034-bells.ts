import type { Migration } from './migration';

/** The bells that ring next stand on every screen: they are read in their order, not looked for among all that run. */
export const bells: readonly Migration[] = [
  {
    name: '0034-bells',
    statements: ['CREATE INDEX timers_bells ON timers (endedAt, MIN(dueAt, COALESCE(nextReminderAt, dueAt)), id)'],
  },
];
