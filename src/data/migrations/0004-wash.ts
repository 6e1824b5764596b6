import type { Migration } from './migration';

const RESTORATION = 'restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT';

/** What a finding is made of, what a piece's surfaces are, what was done at the sink, and what this workshop knows. */
export const wash: Migration = {
  name: '0004-wash',
  statements: [
    `ALTER TABLE findings ADD COLUMN soil TEXT`,
    `ALTER TABLE findings ADD COLUMN visible TEXT NOT NULL DEFAULT 'front'`,
    `ALTER TABLE pieces ADD COLUMN surfaces JSON NOT NULL DEFAULT '[]'`,
    `ALTER TABLE pieces ADD COLUMN hollow INTEGER NOT NULL DEFAULT 0`,
    `CREATE TABLE sink_steps (id TEXT PRIMARY KEY, ${RESTORATION}, findingId TEXT NOT NULL REFERENCES findings(id) ON DELETE RESTRICT,
      pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, timerId TEXT REFERENCES timers(id) ON DELETE RESTRICT, agent TEXT NOT NULL, soil TEXT NOT NULL,
      surface TEXT NOT NULL, startedAt TEXT NOT NULL, endedAt TEXT, outcome TEXT, words TEXT NOT NULL DEFAULT '', photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT,
      CHECK ((endedAt IS NULL) = (outcome IS NULL)))`,
    // One spot is worked with one thing at a time.
    `CREATE UNIQUE INDEX one_open_sink_step ON sink_steps(findingId) WHERE endedAt IS NULL`,
    `CREATE INDEX sink_steps_by_restoration ON sink_steps(restorationId)`,
    `CREATE TABLE own_verdicts (id TEXT PRIMARY KEY, agent TEXT NOT NULL, surface TEXT NOT NULL, verdict TEXT NOT NULL CHECK (verdict IN ('test first', 'never')),
      reason TEXT NOT NULL, at TEXT NOT NULL)`,
    `CREATE TABLE agents_off (id TEXT PRIMARY KEY, at TEXT NOT NULL)`,
    `CREATE TABLE tubs (id TEXT PRIMARY KEY, name TEXT NOT NULL UNIQUE, lengthMm REAL NOT NULL CHECK (lengthMm > 0), widthMm REAL NOT NULL CHECK (widthMm > 0),
      depthMm REAL NOT NULL CHECK (depthMm > 0), addedAt TEXT NOT NULL)`,
  ],
};
