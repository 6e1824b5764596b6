import type { Migration } from './migration';

const RESTORATION = 'restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT';
const PHOTO = (column: string) => `${column} TEXT REFERENCES photos(id) ON DELETE RESTRICT`;
const KEY_GROUPS = ['letters', 'digits', 'space and shift', 'cursor keys', 'function keys', 'number pad'];

/** Pins on photographs, the aim, the owner and what was asked, the people, and the door for the local network. */
export const intake: Migration = {
  name: '0003-intake',
  statements: [
    ...['claim', 'packing', 'worthKeeping', 'owner'].map(
      (column) => `ALTER TABLE restorations ADD COLUMN ${column} TEXT NOT NULL DEFAULT ''`,
    ),
    `ALTER TABLE restorations ADD COLUMN aim TEXT NOT NULL DEFAULT 'presentable'`,
    `ALTER TABLE restorations ADD COLUMN allowed JSON NOT NULL DEFAULT '{"stages":[],"spendMinor":0,"words":""}'`,
    `ALTER TABLE restorations ADD COLUMN estimate JSON`,
    `ALTER TABLE pieces ADD COLUMN aim TEXT`,
    `ALTER TABLE pieces ADD COLUMN worthKeeping TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE findings ADD COLUMN ${PHOTO('photoId')}`,
    `ALTER TABLE findings ADD COLUMN pin JSON`,
    `ALTER TABLE findings ADD COLUMN ${PHOTO('closeUpId')}`,
    `ALTER TABLE removal_steps ADD COLUMN offBy TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE removal_steps ADD COLUMN onBy TEXT NOT NULL DEFAULT ''`,
    `CREATE TABLE requests (id TEXT PRIMARY KEY, ${RESTORATION}, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, stage TEXT NOT NULL,
      about TEXT NOT NULL CHECK (about IN ('treatment', 'purchase')), what TEXT NOT NULL, why TEXT NOT NULL, costMinor INTEGER NOT NULL CHECK (costMinor >= 0),
      alternatives TEXT NOT NULL, askedAt TEXT NOT NULL, answer TEXT CHECK (answer IN ('yes', 'no', 'with conditions')), answerWords TEXT NOT NULL DEFAULT '',
      answeredAt TEXT, CHECK ((answer IS NULL) = (answeredAt IS NULL)))`,
    `CREATE INDEX requests_by_restoration ON requests(restorationId)`,
    `CREATE TABLE people (id TEXT PRIMARY KEY, name TEXT NOT NULL UNIQUE, addedAt TEXT NOT NULL)`,
    `CREATE TABLE door (id TEXT PRIMARY KEY, passphrase TEXT, seal TEXT NOT NULL, open INTEGER NOT NULL DEFAULT 0, failures INTEGER NOT NULL DEFAULT 0, shutUntil TEXT)`,
    // The keys of a machine are tested group by group now; what was said of all of them is said of each.
    `UPDATE function_tests SET results = json_remove(json_set(results, ${KEY_GROUPS.map((group) => `'$."${group}"', json_extract(results, '$.keys')`).join(', ')}), '$.keys')
      WHERE json_extract(results, '$.keys') IS NOT NULL`,
  ],
};
