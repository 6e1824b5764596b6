import type { Migration } from './migration';

/** What was checked before an exposure and read during it, the sky of the coming hours, and looking again later. */
export const tending: Migration = {
  name: '0007-tending',
  statements: [
    `ALTER TABLE sessions ADD COLUMN checks JSON NOT NULL DEFAULT '[]'`,
    `ALTER TABLE sessions ADD COLUMN readings JSON NOT NULL DEFAULT '[]'`,
    `CREATE TABLE weather_hours (id TEXT PRIMARY KEY, at TEXT NOT NULL UNIQUE, cloud REAL NOT NULL CHECK (cloud BETWEEN 0 AND 1),
      source TEXT NOT NULL CHECK (source IN ('file', 'look')), takenAt TEXT NOT NULL)`,
    `CREATE TABLE looks_again (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT,
      pieceId TEXT NOT NULL REFERENCES pieces(id) ON DELETE RESTRICT, treatmentId TEXT NOT NULL REFERENCES treatments(id) ON DELETE RESTRICT,
      dueAt TEXT NOT NULL, storage TEXT NOT NULL CHECK (storage IN ('dark', 'light')), measurementId TEXT REFERENCES measurements(id) ON DELETE RESTRICT)`,
    `CREATE INDEX looks_again_by_restoration ON looks_again(restorationId)`,
  ],
};
