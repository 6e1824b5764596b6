import type { Migration } from './migration';

/** When somebody is there, the lamp, what stands in the sun's way, and answers to exercises. */
export const brighten: Migration = {
  name: '0006-brighten',
  statements: [
    `ALTER TABLE workshop ADD COLUMN dayFromH REAL NOT NULL DEFAULT 9 CHECK (dayFromH BETWEEN 0 AND 24)`,
    `ALTER TABLE workshop ADD COLUMN dayToH REAL NOT NULL DEFAULT 18 CHECK (dayToH BETWEEN 0 AND 24)`,
    `ALTER TABLE workshop ADD COLUMN lampMwPerCm2 REAL NOT NULL DEFAULT 0 CHECK (lampMwPerCm2 >= 0)`,
    `CREATE TABLE obstacles (id TEXT PRIMARY KEY, name TEXT NOT NULL, fromDeg REAL NOT NULL CHECK (fromDeg BETWEEN 0 AND 360),
      toDeg REAL NOT NULL CHECK (toDeg BETWEEN 0 AND 360), heightDeg REAL NOT NULL CHECK (heightDeg BETWEEN 0 AND 90), addedAt TEXT NOT NULL)`,
    `CREATE TABLE exercises (id TEXT PRIMARY KEY, seed INTEGER NOT NULL UNIQUE, answered INTEGER NOT NULL, rightly INTEGER NOT NULL, at TEXT NOT NULL)`,
  ],
};
