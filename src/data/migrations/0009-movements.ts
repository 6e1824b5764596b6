import type { Migration } from './migration';

/** What came out of each bottle, what was found in it, and how strong it was found to be. */
export const movements: Migration = {
  name: '0009-movements',
  statements: [
    `CREATE TABLE movements (id TEXT PRIMARY KEY, stockId TEXT NOT NULL REFERENCES stock(id) ON DELETE RESTRICT,
      restorationId TEXT REFERENCES restorations(id) ON DELETE SET NULL, kind TEXT NOT NULL CHECK (kind IN ('used', 'counted')),
      change REAL NOT NULL, at TEXT NOT NULL)`,
    `CREATE INDEX movements_of_stock ON movements (stockId)`,
    `CREATE TABLE strengths (id TEXT PRIMARY KEY, stockId TEXT NOT NULL REFERENCES stock(id) ON DELETE RESTRICT,
      percentWW REAL NOT NULL CHECK (percentWW >= 0), how TEXT NOT NULL CHECK (how IN ('gas', 'age', 'other')), at TEXT NOT NULL)`,
  ],
};
