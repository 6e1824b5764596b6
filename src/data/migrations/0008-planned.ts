import type { Migration } from './migration';

/** What a timer for a session that is still to come waits for: the way, and when its window closes again. */
export const planned: Migration = {
  name: '0008-planned',
  statements: [`ALTER TABLE timers ADD COLUMN plannedSchool TEXT`, `ALTER TABLE timers ADD COLUMN plannedTo TEXT`],
};
