import type { Migration } from './migration';

const REFERENCE = {
  restoration: 'TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT',
  piece: 'TEXT NOT NULL REFERENCES pieces(id) ON DELETE RESTRICT',
  maybePiece: 'TEXT REFERENCES pieces(id) ON DELETE RESTRICT',
};

/** Every table of the first slice. Landed: never edited, only followed. */
export const firstSlice: Migration = {
  name: '0001-first-slice',
  statements: [
    `CREATE TABLE workshop (id TEXT PRIMARY KEY, name TEXT NOT NULL, latitude REAL CHECK (latitude BETWEEN -90 AND 90),
      longitude REAL CHECK (longitude BETWEEN -180 AND 180), altitudeM REAL NOT NULL DEFAULT 0, timeZone TEXT NOT NULL,
      units TEXT NOT NULL CHECK (units IN ('metric', 'us')), currency TEXT NOT NULL, hourlyRateMinor INTEGER NOT NULL DEFAULT 0)`,
    `CREATE TABLE restorations (id TEXT PRIMARY KEY, title TEXT NOT NULL, machine TEXT NOT NULL, source TEXT NOT NULL,
      pricePaidMinor INTEGER NOT NULL, condition TEXT NOT NULL, openedAt TEXT NOT NULL, closedAt TEXT)`,
    `CREATE TABLE stages (id TEXT PRIMARY KEY, restorationId ${REFERENCE.restoration}, stage TEXT NOT NULL, state TEXT NOT NULL
      CHECK (state IN ('open', 'done', 'not needed')), settledAt TEXT, reason TEXT, UNIQUE (restorationId, stage))`,
    `CREATE TABLE pieces (id TEXT PRIMARY KEY, restorationId ${REFERENCE.restoration}, tag TEXT NOT NULL, name TEXT NOT NULL,
      plastic TEXT NOT NULL, finish TEXT NOT NULL, lengthMm REAL, widthMm REAL, heightMm REAL, labels TEXT NOT NULL,
      metalInside TEXT NOT NULL, hiddenLab JSON, UNIQUE (restorationId, tag))`,
    `CREATE TABLE photos (id TEXT PRIMARY KEY, restorationId ${REFERENCE.restoration}, pieceId ${REFERENCE.maybePiece}, stage TEXT NOT NULL,
      hash TEXT NOT NULL, extension TEXT NOT NULL, mime TEXT NOT NULL, originalName TEXT NOT NULL, bytes INTEGER NOT NULL,
      width INTEGER NOT NULL, height INTEGER NOT NULL, takenAt TEXT, addedAt TEXT NOT NULL, words TEXT NOT NULL)`,
    `CREATE TABLE measurements (id TEXT PRIMARY KEY, restorationId ${REFERENCE.restoration}, pieceId ${REFERENCE.piece},
      photoId TEXT NOT NULL REFERENCES photos(id) ON DELETE RESTRICT, stage TEXT NOT NULL, measuredAt TEXT NOT NULL, spec JSON NOT NULL,
      result JSON NOT NULL, basis TEXT NOT NULL, lab JSON, hiddenLab JSON, deltaE00 REAL, deltaB REAL, yellownessIndex REAL, verdict TEXT)`,
    `CREATE TABLE findings (id TEXT PRIMARY KEY, restorationId ${REFERENCE.restoration}, pieceId ${REFERENCE.maybePiece}, stage TEXT NOT NULL,
      kind TEXT NOT NULL, words TEXT NOT NULL, severity TEXT NOT NULL, foundAt TEXT NOT NULL, settledAs TEXT, settledWords TEXT, settledAt TEXT)`,
    `CREATE TABLE stock (id TEXT PRIMARY KEY, name TEXT NOT NULL, kind TEXT NOT NULL, strengthValue REAL, strengthUnit TEXT, sizeMl REAL,
      priceMinor INTEGER, addedAt TEXT NOT NULL, words TEXT NOT NULL)`,
    `CREATE TABLE treatments (id TEXT PRIMARY KEY, restorationId ${REFERENCE.restoration}, pieceId ${REFERENCE.piece}, school TEXT NOT NULL,
      stockId TEXT REFERENCES stock(id) ON DELETE RESTRICT, stockPercentWW REAL NOT NULL, targetPercentWW REAL NOT NULL, amountMl REAL NOT NULL,
      toleranceB REAL NOT NULL, plannedAt TEXT NOT NULL, startMeasurementId TEXT REFERENCES measurements(id) ON DELETE RESTRICT,
      endedAt TEXT, endedWhy TEXT)`,
    `CREATE TABLE sessions (id TEXT PRIMARY KEY, treatmentId TEXT NOT NULL REFERENCES treatments(id) ON DELETE RESTRICT,
      restorationId ${REFERENCE.restoration}, pieceId ${REFERENCE.piece}, startedAt TEXT NOT NULL, plannedMin INTEGER NOT NULL,
      turnEveryMin INTEGER NOT NULL, cloudFraction REAL NOT NULL, lampMwPerCm2 REAL NOT NULL, temperatureC REAL NOT NULL,
      cautions JSON NOT NULL, turns JSON NOT NULL, endedAt TEXT, actualMin INTEGER, dose REAL, words TEXT,
      measurementId TEXT REFERENCES measurements(id) ON DELETE RESTRICT)`,
    // One piece is in one exposure at a time.
    `CREATE UNIQUE INDEX one_running_session ON sessions(pieceId) WHERE endedAt IS NULL`,
    `CREATE TABLE timers (id TEXT PRIMARY KEY, restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT, pieceId ${REFERENCE.maybePiece},
      sessionId TEXT REFERENCES sessions(id) ON DELETE RESTRICT, label TEXT NOT NULL, atTheBell TEXT NOT NULL, startedAt TEXT NOT NULL,
      dueAt TEXT NOT NULL, remindEveryMin INTEGER, nextReminderAt TEXT, endedAt TEXT)`,
    `CREATE TABLE ledger (id TEXT PRIMARY KEY, restorationId ${REFERENCE.restoration}, stage TEXT NOT NULL,
      kind TEXT NOT NULL CHECK (kind IN ('price', 'material', 'minutes')), words TEXT NOT NULL, amountMinor INTEGER NOT NULL,
      minutes INTEGER NOT NULL, at TEXT NOT NULL)`,
    `CREATE TABLE log (id INTEGER PRIMARY KEY AUTOINCREMENT, restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT, at TEXT NOT NULL,
      stage TEXT, kind TEXT NOT NULL, words TEXT NOT NULL, data JSON, corrects INTEGER REFERENCES log(id) ON DELETE RESTRICT)`,
    // The log is append-only: not a habit of the code but a rule of the database.
    `CREATE TRIGGER log_keeps_words BEFORE UPDATE ON log BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END`,
    `CREATE TRIGGER log_keeps_rows BEFORE DELETE ON log BEGIN SELECT RAISE(ABORT, 'the log is append-only'); END`,
    ...['stages', 'pieces', 'photos', 'measurements', 'findings', 'treatments', 'sessions', 'ledger', 'log'].map(
      (table) => `CREATE INDEX ${table}_by_restoration ON ${table}(restorationId)`,
    ),
  ],
};
