import type { Migration } from './migration';

/** Restorations that are put away: nothing of theirs is shown among the others, and nothing of them is lost. */
export const putAwayTable: Migration = {
  name: '0014-put-away',
  statements: [
    'CREATE TABLE put_away (id TEXT PRIMARY KEY REFERENCES restorations(id) ON DELETE RESTRICT, at TEXT NOT NULL)',
  ],
};
