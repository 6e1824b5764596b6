import type { Migration } from './migration';

const RESTORATION = 'restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT';

/**
 * Hours by weekday, several pieces in one session, fresh coats and what a session took, what was taken back, boxes
 * beside tubs. What a session came to follows from the times alone now, so that its pointer to a measurement goes.
 */
export const trueAnyDay: Migration = {
  name: '0010-true-any-day',
  statements: [
    `ALTER TABLE workshop ADD COLUMN hours JSON NOT NULL DEFAULT '[]'`,
    `UPDATE workshop SET hours = json_array(${Array.from({ length: 7 }, () => `json_object('fromH', dayFromH, 'toH', dayToH)`).join(', ')})`,
    `ALTER TABLE workshop DROP COLUMN dayFromH`,
    `ALTER TABLE workshop DROP COLUMN dayToH`,
    `ALTER TABLE sessions ADD COLUMN leadId TEXT REFERENCES sessions(id) ON DELETE RESTRICT`,
    `ALTER TABLE sessions ADD COLUMN coats JSON NOT NULL DEFAULT '[]'`,
    `ALTER TABLE sessions ADD COLUMN takes JSON`,
    `ALTER TABLE sessions DROP COLUMN measurementId`,
    `ALTER TABLE sink_steps ADD COLUMN cautions JSON NOT NULL DEFAULT '[]'`,
    `ALTER TABLE findings ADD COLUMN part TEXT NOT NULL DEFAULT 'case'`,
    `UPDATE findings SET part = 'keys' WHERE kind IN ('dead', 'sticky')`,
    `UPDATE findings SET part = 'metal' WHERE kind = 'rust'`,
    `ALTER TABLE function_tests ADD COLUMN words JSON NOT NULL DEFAULT '{}'`,
    `ALTER TABLE lots ADD COLUMN thing TEXT NOT NULL DEFAULT 'screw'`,
    `ALTER TABLE removal_steps ADD COLUMN pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT`,
    `ALTER TABLE removal_steps ADD COLUMN laidAside INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE pieces ADD COLUMN parts INTEGER NOT NULL DEFAULT 1 CHECK (parts BETWEEN 1 AND 1000)`,
    `ALTER TABLE pieces ADD COLUMN metalUntilApart INTEGER NOT NULL DEFAULT 0`,
    `CREATE TABLE taken_back (id TEXT PRIMARY KEY, ${RESTORATION}, what TEXT NOT NULL, removed JSON NOT NULL, changed JSON NOT NULL,
      at TEXT NOT NULL, broughtBackAt TEXT)`,
    `CREATE INDEX taken_back_by_restoration ON taken_back(restorationId)`,
  ],
};
