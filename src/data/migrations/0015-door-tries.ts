import type { Migration } from './migration';

/** Wrong tries to enter, by where they came from: one device's waits are not another's. */
export const doorTries: Migration = {
  name: '0015-door-tries',
  statements: [
    'CREATE TABLE door_tries (id TEXT PRIMARY KEY, failures INTEGER NOT NULL, lately INTEGER NOT NULL, lastAt TEXT NOT NULL, shutUntil TEXT)',
  ],
};
