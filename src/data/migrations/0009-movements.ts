import type { Migration } from './migration';

/** What came out of each bottle, and what was found in it. */
export const movements: Migration = {
  name: '0009-movements',
  statements: [
    `CREATE TABLE movements (id TEXT PRIMARY KEY, stockId TEXT NOT NULL REFERENCES stock(id) ON DELETE RESTRICT,
      restorationId TEXT REFERENCES restorations(id) ON DELETE SET NULL, kind TEXT NOT NULL CHECK (kind IN ('used', 'counted')),
      change REAL NOT NULL, at TEXT NOT NULL)`,
    `CREATE INDEX movements_of_stock ON movements (stockId)`,
  ],
};
