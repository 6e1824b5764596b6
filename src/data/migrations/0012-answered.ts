import type { Migration } from './migration';

/** What was answered to a form that was sent, by the key that its page made: sent again, it is answered and not done again. */
export const answered: Migration = {
  name: '0012-answered',
  statements: [
    'CREATE TABLE answered (id TEXT PRIMARY KEY, at TEXT NOT NULL, value JSON)',
    'CREATE INDEX answered_by_time ON answered(at)',
  ],
};
