import type { Migration } from './migration';

/** What a timer times, agents and surfaces of the workshop's own, and spots that a wash left over. */
export const ownCleaning: Migration = {
  name: '0005-own-cleaning',
  statements: [
    `ALTER TABLE timers ADD COLUMN kind TEXT NOT NULL DEFAULT 'other' CHECK (kind IN ('exposure', 'sink', 'drying', 'other'))`,
    `UPDATE timers SET kind = 'exposure' WHERE sessionId IS NOT NULL`,
    `UPDATE timers SET kind = 'drying' WHERE label LIKE '%: drying'`,
    `UPDATE timers SET kind = 'sink' WHERE id IN (SELECT timerId FROM sink_steps)`,
    `ALTER TABLE findings ADD COLUMN continues TEXT REFERENCES findings(id) ON DELETE RESTRICT`,
    `CREATE TABLE own_agents (id TEXT PRIMARY KEY, title TEXT NOT NULL UNIQUE, does TEXT NOT NULL, families JSON NOT NULL,
      roughness INTEGER NOT NULL CHECK (roughness BETWEEN 0 AND 9), wet TEXT NOT NULL CHECK (wet IN ('dry', 'damp', 'bath')), leaves TEXT NOT NULL,
      dwellMin REAL NOT NULL, handsMin REAL NOT NULL, rinse TEXT NOT NULL, protection TEXT NOT NULL, perLitre JSON, bathC REAL, source TEXT NOT NULL,
      takes JSON NOT NULL, addedAt TEXT NOT NULL)`,
    `CREATE TABLE own_surfaces (id TEXT PRIMARY KEY, title TEXT NOT NULL UNIQUE, like TEXT NOT NULL, addedAt TEXT NOT NULL)`,
  ],
};
