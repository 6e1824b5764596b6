import type { Migration } from './migration';

const RESTORATION = 'restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT';
const STEP = (column: string) => `${column} TEXT NOT NULL REFERENCES removal_steps(id) ON DELETE RESTRICT`;

/** What came off, in which order, with its fasteners and connections, and what must be on before what. */
export const teardown: Migration = {
  name: '0002-teardown',
  statements: [
    `CREATE TABLE removal_steps (id TEXT PRIMARY KEY, ${RESTORATION}, position INTEGER NOT NULL, name TEXT NOT NULL, joint TEXT NOT NULL,
      way TEXT NOT NULL, springs TEXT NOT NULL, photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT, pins JSON NOT NULL,
      removedAt TEXT NOT NULL, onAt TEXT, onWords TEXT, UNIQUE (restorationId, position))`,
    `CREATE TABLE lots (id TEXT PRIMARY KEY, ${RESTORATION}, ${STEP('stepId')}, drive TEXT NOT NULL, head TEXT NOT NULL,
      diameterMm REAL NOT NULL CHECK (diameterMm > 0), lengthMm REAL NOT NULL CHECK (lengthMm > 0), shank TEXT NOT NULL,
      count INTEGER NOT NULL CHECK (count > 0), fate TEXT NOT NULL, deepestMm REAL, tray TEXT NOT NULL, cell INTEGER,
      returned INTEGER NOT NULL DEFAULT 0, missing INTEGER NOT NULL DEFAULT 0, words TEXT NOT NULL,
      CHECK (returned >= 0 AND missing >= 0 AND returned + missing <= count))`,
    `CREATE TABLE connections (id TEXT PRIMARY KEY, ${RESTORATION}, ${STEP('stepId')}, kind TEXT NOT NULL, way TEXT NOT NULL, tickedAt TEXT)`,
    `CREATE TABLE blocks (id TEXT PRIMARY KEY, ${RESTORATION}, ${STEP('firstId')}, ${STEP('thenId')}, why TEXT NOT NULL,
      CHECK (firstId <> thenId), UNIQUE (firstId, thenId))`,
    `CREATE TABLE trays (id TEXT PRIMARY KEY, name TEXT NOT NULL UNIQUE, columns INTEGER NOT NULL, rows INTEGER NOT NULL, addedAt TEXT NOT NULL)`,
    `CREATE TABLE function_tests (id TEXT PRIMARY KEY, ${RESTORATION}, phase TEXT NOT NULL, at TEXT NOT NULL, results JSON NOT NULL, waivedWhy TEXT)`,
    ...['removal_steps', 'lots', 'connections', 'blocks', 'function_tests'].map(
      (table) => `CREATE INDEX ${table}_by_restoration ON ${table}(restorationId)`,
    ),
  ],
};
