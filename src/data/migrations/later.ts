import { deleted } from './0032-deleted';
import { found } from './0031-found';
import { manyYears } from './0033-many-years';
import { bells } from './0034-bells';
import type { Migration } from './migration';

const said = `json_object('kind', 'said', 'words', value)`;
const lightChanges = `json_object('kind', 'light changes',
  'region', substr(value, instr(value, '“') + 1, instr(value, '”') - instr(value, '“') - 1),
  'share', CAST(substr(value, 28) AS REAL) / 100)`;

/** A row that belongs to a restoration names only rows of the same one: as in migration 0013, for tables that came later. */
const sameMachine = (table: string, field: string, target: string): string[] =>
  [
    ['INSERT', 'in'],
    [`UPDATE OF ${field}, restorationId`, 'on'],
  ].map(
    ([when, name]) =>
      `CREATE TRIGGER own_${table}_${field}_${name} BEFORE ${when} ON ${table} WHEN NEW.${field} IS NOT NULL
    AND EXISTS (SELECT 1 FROM ${target} WHERE id = NEW.${field} AND restorationId IS NOT NEW.restorationId)
    BEGIN SELECT RAISE(ABORT, 'kvell: joins two restorations (${field})'); END`,
  );

const ofKeyboard =
  'restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, keyboardId TEXT NOT NULL REFERENCES keyboards(id) ON DELETE RESTRICT';

/** From here on in one file, so that a new table touches its definition and this. None is edited once it has landed. */
export const LATER: readonly Migration[] = [
  /** What a measurement warned of becomes a kind with its fields; what decides nothing stays as it was said. */
  {
    name: '0016-warning-kinds',
    statements: [
      `UPDATE measurements SET result = json_set(result, '$.warnings', (
      SELECT json_group_array(json(CASE WHEN value LIKE 'The light changes by about % across “%”.%' THEN ${lightChanges} ELSE ${said} END))
        FROM json_each(measurements.result, '$.warnings')))
      WHERE json_valid(result) AND json_type(result, '$.warnings') = 'array'`,
    ],
  },
  /** The ozone column can be stated where it is known. */
  { name: '0017-ozone', statements: ['ALTER TABLE workshop ADD COLUMN ozoneDU REAL'] },
  /** What the greys of a printed sheet are, each time that it was photographed beside a known card. */
  {
    name: '0018-grey-sheets',
    statements: [
      'CREATE TABLE grey_sheets (id TEXT PRIMARY KEY, number INTEGER NOT NULL, greys JSON NOT NULL, at TEXT NOT NULL)',
    ],
  },
  /** Keyboards, what their keys did, and what was measured on their lines. */
  {
    name: '0019-keyboards',
    statements: [
      `CREATE TABLE keyboards (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, name TEXT NOT NULL, kind TEXT NOT NULL, widthMm REAL NOT NULL, heightMm REAL NOT NULL, keys JSON NOT NULL, lines JSON NOT NULL, codes JSON NOT NULL, addedAt TEXT NOT NULL)`,
      'CREATE INDEX keyboards_restoration ON keyboards (restorationId)',
      `CREATE TABLE key_tests (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, keyboardId TEXT NOT NULL REFERENCES keyboards(id) ON DELETE RESTRICT, phase TEXT NOT NULL, at TEXT NOT NULL, endedAt TEXT)`,
      'CREATE INDEX key_tests_keyboard ON key_tests (keyboardId)',
      `CREATE TABLE keys_seen (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, testId TEXT NOT NULL REFERENCES key_tests(id) ON DELETE RESTRICT, key TEXT NOT NULL, seen TEXT NOT NULL, at TEXT NOT NULL)`,
      'CREATE UNIQUE INDEX keys_seen_once ON keys_seen (testId, key)',
      `CREATE TABLE probes (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, keyboardId TEXT NOT NULL REFERENCES keyboards(id) ON DELETE RESTRICT, line TEXT NOT NULL, fromPlace TEXT NOT NULL, toPlace TEXT NOT NULL, ohms REAL, at TEXT NOT NULL)`,
      'CREATE INDEX probes_keyboard ON probes (keyboardId)',
      ...sameMachine('key_tests', 'keyboardId', 'keyboards'),
      ...sameMachine('keys_seen', 'testId', 'key_tests'),
      ...sameMachine('probes', 'keyboardId', 'keyboards'),
    ],
  },
  /** Keys from photograph to repair: marked pictures, caps, counts, measured parts, repairs. */
  {
    name: '0020-keys-mended',
    statements: [
      `CREATE TABLE keyboard_pictures (id TEXT PRIMARY KEY, ${ofKeyboard}, photoId TEXT NOT NULL REFERENCES photos(id) ON DELETE RESTRICT, corners JSON NOT NULL, at TEXT NOT NULL)`,
      `CREATE TABLE caps (id TEXT PRIMARY KEY, ${ofKeyboard}, key TEXT NOT NULL, state TEXT NOT NULL, isOff INTEGER NOT NULL, stem TEXT, at TEXT NOT NULL)`,
      'CREATE UNIQUE INDEX caps_once ON caps (keyboardId, key)',
      `CREATE TABLE loose_parts (id TEXT PRIMARY KEY, ${ofKeyboard}, part TEXT NOT NULL, came INTEGER NOT NULL, cleaned INTEGER NOT NULL, back INTEGER NOT NULL, lost INTEGER NOT NULL, donor INTEGER NOT NULL, at TEXT NOT NULL)`,
      'CREATE UNIQUE INDEX loose_parts_once ON loose_parts (keyboardId, part)',
      `CREATE TABLE key_measures (id TEXT PRIMARY KEY, ${ofKeyboard}, key TEXT NOT NULL, what TEXT NOT NULL, value REAL, at TEXT NOT NULL)`,
      'CREATE INDEX key_measures_keyboard ON key_measures (keyboardId)',
      `CREATE TABLE key_repairs (id TEXT PRIMARY KEY, ${ofKeyboard}, way TEXT NOT NULL, fault TEXT NOT NULL, keys JSON NOT NULL, ohmsBefore REAL, ohmsAfter REAL, startedAt TEXT NOT NULL, endedAt TEXT, outcome TEXT, words TEXT NOT NULL)`,
      'CREATE INDEX key_repairs_keyboard ON key_repairs (keyboardId)',
      `CREATE TABLE keys_together (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, testId TEXT NOT NULL REFERENCES key_tests(id) ON DELETE RESTRICT, pressed TEXT NOT NULL, also TEXT NOT NULL, at TEXT NOT NULL)`,
      'CREATE INDEX keys_together_test ON keys_together (testId)',
      'CREATE INDEX keys_together_restoration ON keys_together (restorationId)',
      ...sameMachine('keys_together', 'testId', 'key_tests'),
      'CREATE TABLE key_practice (id TEXT PRIMARY KEY, grade TEXT NOT NULL, seed INTEGER NOT NULL, probes INTEGER NOT NULL, ours INTEGER NOT NULL, rightly INTEGER NOT NULL, at TEXT NOT NULL)',
      'CREATE TABLE contact_limits (id TEXT PRIMARY KEY, kind TEXT NOT NULL UNIQUE, passOhms REAL NOT NULL, cleanOhms REAL NOT NULL, at TEXT NOT NULL)',
      'CREATE UNIQUE INDEX key_practice_once ON key_practice (grade, seed)',
      'CREATE INDEX keyboard_pictures_keyboard ON keyboard_pictures (keyboardId)',
      ...['keyboard_pictures', 'caps', 'loose_parts', 'key_measures', 'key_repairs'].flatMap((table) => [
        `CREATE INDEX ${table}_restoration ON ${table} (restorationId)`,
        ...sameMachine(table, 'keyboardId', 'keyboards'),
      ]),
      ...sameMachine('keyboard_pictures', 'photoId', 'photos'),
    ],
  },
  /** Parts that are drawn to be made. */
  {
    name: '0021-parts',
    statements: [
      `CREATE TABLE parts (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, name TEXT NOT NULL, family TEXT NOT NULL, sizes JSON NOT NULL, photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT, at TEXT NOT NULL)`,
      'CREATE INDEX parts_restoration ON parts (restorationId)',
      'CREATE INDEX parts_photo ON parts (photoId)',
      ...sameMachine('parts', 'photoId', 'photos'),
    ],
  },
  /** Sizes that are measured on photographs. */
  {
    name: '0022-sizes',
    statements: [
      `CREATE TABLE sizes (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, name TEXT NOT NULL, kind TEXT NOT NULL CHECK (kind IN ('length','round','angle','area')), value REAL NOT NULL, sd REAL NOT NULL, photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT, barMm REAL, at TEXT NOT NULL)`,
      'CREATE INDEX sizes_restoration ON sizes (restorationId)',
      'CREATE INDEX sizes_photo ON sizes (photoId)',
      ...sameMachine('sizes', 'photoId', 'photos'),
    ],
  },
  /** Broken places and how they are mended. */
  {
    name: '0023-repairs',
    statements: [
      `CREATE TABLE repairs (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, findingId TEXT REFERENCES findings(id) ON DELETE RESTRICT, name TEXT NOT NULL, damage JSON NOT NULL, at TEXT NOT NULL, way TEXT, startedAt TEXT, roomC REAL, done JSON NOT NULL, curedAt TEXT, endedAt TEXT, outcome TEXT, words TEXT NOT NULL, brokeAt TEXT)`,
      'ALTER TABLE timers ADD COLUMN repairId TEXT REFERENCES repairs(id) ON DELETE RESTRICT',
      'CREATE INDEX timers_repair ON timers (repairId)',
      'CREATE INDEX repairs_restoration ON repairs (restorationId)',
      'CREATE INDEX repairs_piece ON repairs (pieceId)',
      'CREATE INDEX repairs_finding ON repairs (findingId)',
      ...sameMachine('repairs', 'pieceId', 'pieces'),
      ...sameMachine('repairs', 'findingId', 'findings'),
      ...sameMachine('timers', 'repairId', 'repairs'),
    ],
  },
  /** Test drops of tinted resin and of paint. */
  {
    name: '0024-test-drops',
    statements: [
      `CREATE TABLE test_drops (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, use TEXT NOT NULL CHECK (use IN ('cast','paint')), base TEXT NOT NULL, amounts JSON NOT NULL, srgb JSON NOT NULL, beside JSON, photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT, at TEXT NOT NULL)`,
      'CREATE INDEX test_drops_restoration ON test_drops (restorationId)',
      'CREATE INDEX test_drops_piece ON test_drops (pieceId)',
      'CREATE INDEX test_drops_photo ON test_drops (photoId)',
      ...sameMachine('test_drops', 'pieceId', 'pieces'),
      ...sameMachine('test_drops', 'photoId', 'photos'),
    ],
  },
  /** Machines that give their parts to others. */
  {
    name: '0025-donors',
    statements: [
      'CREATE TABLE donors (id TEXT PRIMARY KEY, name TEXT NOT NULL, words TEXT NOT NULL, addedAt TEXT NOT NULL)',
      'CREATE TABLE donor_parts (id TEXT PRIMARY KEY, donorId TEXT NOT NULL REFERENCES donors(id) ON DELETE RESTRICT, what TEXT NOT NULL, lengthMm REAL, widthMm REAL, heightMm REAL, spacingMm REAL, lab JSON, words TEXT NOT NULL, addedAt TEXT NOT NULL, restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT, takenAt TEXT)',
      'CREATE INDEX donor_parts_donor ON donor_parts (donorId)',
      'CREATE INDEX donor_parts_restoration ON donor_parts (restorationId)',
    ],
  },
  /** Printers as their test bars told, and what is to be bought. */
  {
    name: '0026-printers-and-orders',
    statements: [
      'CREATE TABLE printers (id TEXT PRIMARY KEY, name TEXT NOT NULL, barMm REAL NOT NULL, pinMm REAL NOT NULL, holeMm REAL NOT NULL, kgMinor INTEGER, at TEXT NOT NULL)',
      `CREATE TABLE orders (id TEXT PRIMARY KEY, restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, repairId TEXT REFERENCES repairs(id) ON DELETE RESTRICT, what TEXT NOT NULL, words TEXT NOT NULL, at TEXT NOT NULL, orderedAt TEXT, priceMinor INTEGER, ledgerId TEXT REFERENCES ledger(id) ON DELETE RESTRICT, dueAt TEXT, arrivedAt TEXT, comparedAt TEXT, fittedAt TEXT)`,
      'CREATE INDEX orders_restoration ON orders (restorationId)',
      'CREATE INDEX orders_piece ON orders (pieceId)',
      'CREATE INDEX orders_repair ON orders (repairId)',
      'CREATE INDEX orders_ledger ON orders (ledgerId)',
      ...sameMachine('orders', 'pieceId', 'pieces'),
      ...sameMachine('orders', 'repairId', 'repairs'),
      ...sameMachine('orders', 'ledgerId', 'ledger'),
    ],
  },
  /** Rusted places, the rungs that were taken against them, and how much was left. */
  {
    name: '0027-rust',
    statements: [
      `CREATE TABLE rusts (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, findingId TEXT REFERENCES findings(id) ON DELETE RESTRICT, name TEXT NOT NULL, patch JSON NOT NULL, at TEXT NOT NULL, ohmBefore REAL, ohmAfter REAL, endedAt TEXT, outcome TEXT, words TEXT NOT NULL)`,
      `CREATE TABLE rust_steps (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, rustId TEXT NOT NULL REFERENCES rusts(id) ON DELETE RESTRICT, way TEXT NOT NULL, startedAt TEXT NOT NULL, dueAt TEXT, endedAt TEXT, outcome TEXT, words TEXT NOT NULL)`,
      `CREATE TABLE rust_shares (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, rustId TEXT NOT NULL REFERENCES rusts(id) ON DELETE RESTRICT, photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT, share REAL NOT NULL, low REAL NOT NULL, high REAL NOT NULL, pits REAL NOT NULL, at TEXT NOT NULL)`,
      ...['rusts', 'rust_steps', 'rust_shares'].map(
        (table) => `CREATE INDEX ${table}_restoration ON ${table} (restorationId)`,
      ),
      'CREATE INDEX rusts_piece ON rusts (pieceId)',
      'CREATE INDEX rusts_finding ON rusts (findingId)',
      'CREATE INDEX rust_steps_rust ON rust_steps (rustId)',
      'CREATE INDEX rust_shares_rust ON rust_shares (rustId)',
      'CREATE INDEX rust_shares_photo ON rust_shares (photoId)',
      ...sameMachine('rusts', 'pieceId', 'pieces'),
      ...sameMachine('rusts', 'findingId', 'findings'),
      ...sameMachine('rust_steps', 'rustId', 'rusts'),
      ...sameMachine('rust_shares', 'rustId', 'rusts'),
      ...sameMachine('rust_shares', 'photoId', 'photos'),
    ],
  },
  /** What is coated, and each of its coats. */
  {
    name: '0028-coats',
    statements: [
      `CREATE TABLE coat_jobs (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, name TEXT NOT NULL, areaCm2 REAL NOT NULL, way TEXT NOT NULL CHECK (way IN ('sprayed','brushed')), inside INTEGER NOT NULL, sheet JSON NOT NULL, coverageM2PerL REAL NOT NULL, masks TEXT NOT NULL, at TEXT NOT NULL, endedAt TEXT)`,
      `CREATE TABLE coats (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, jobId TEXT NOT NULL REFERENCES coat_jobs(id) ON DELETE RESTRICT, kind TEXT NOT NULL, sheet JSON, laidAt TEXT, airC REAL, surfaceC REAL, humidityPercent REAL, words TEXT NOT NULL)`,
      'CREATE INDEX coat_jobs_restoration ON coat_jobs (restorationId)',
      'CREATE INDEX coat_jobs_piece ON coat_jobs (pieceId)',
      'CREATE INDEX coats_restoration ON coats (restorationId)',
      'CREATE INDEX coats_job ON coats (jobId)',
      ...sameMachine('coat_jobs', 'pieceId', 'pieces'),
      ...sameMachine('coats', 'jobId', 'coat_jobs'),
    ],
  },
  /** What is outlined on photographs, how original parts are, lost marks, and haze. */
  {
    name: '0029-masks-and-originality',
    statements: [
      ...['airC', 'humidityPercent', 'windMs', 'rainMm'].map(
        (column) => `ALTER TABLE weather_hours ADD COLUMN ${column} REAL`,
      ),
      `CREATE TABLE areas (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, photoId TEXT NOT NULL REFERENCES photos(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, "use" TEXT NOT NULL, name TEXT NOT NULL, corners JSON NOT NULL, at TEXT NOT NULL)`,
      `CREATE TABLE origins (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT NOT NULL REFERENCES pieces(id) ON DELETE RESTRICT, what TEXT NOT NULL, state TEXT NOT NULL, share REAL, words TEXT NOT NULL, at TEXT NOT NULL)`,
      `CREATE TABLE lost_marks (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT, kind TEXT NOT NULL, name TEXT NOT NULL, "left" INTEGER NOT NULL, raised INTEGER NOT NULL, widthMm REAL, lengthMm REAL, fromEdgeMm REAL, at TEXT NOT NULL, way TEXT, doneAt TEXT, words TEXT NOT NULL)`,
      `CREATE TABLE hazes (id TEXT PRIMARY KEY, restorationId TEXT NOT NULL REFERENCES restorations(id) ON DELETE RESTRICT, pieceId TEXT REFERENCES pieces(id) ON DELETE RESTRICT, photoId TEXT REFERENCES photos(id) ON DELETE RESTRICT, name TEXT NOT NULL, haze REAL NOT NULL, sd REAL NOT NULL, after TEXT NOT NULL, at TEXT NOT NULL)`,
      ...['areas', 'origins', 'lost_marks', 'hazes'].flatMap((table) => [
        `CREATE INDEX ${table}_restoration ON ${table} (restorationId)`,
        `CREATE INDEX ${table}_piece ON ${table} (pieceId)`,
        ...sameMachine(table, 'pieceId', 'pieces'),
      ]),
      ...['areas', 'lost_marks', 'hazes'].flatMap((table) => [
        `CREATE INDEX ${table}_photo ON ${table} (photoId)`,
        ...sameMachine(table, 'photoId', 'photos'),
      ]),
    ],
  },
  /** The plan of the bench: who is there when, what there is of each, own tasks, what was said of tasks, and what came of them. */
  {
    name: '0030-plan',
    statements: [
      'ALTER TABLE people ADD COLUMN hours JSON',
      `ALTER TABLE people ADD COLUMN daysOff JSON NOT NULL DEFAULT '[]'`,
      'ALTER TABLE workshop ADD COLUMN things JSON',
      'CREATE TABLE wishes (id TEXT PRIMARY KEY, wantedAt TEXT NOT NULL, weight REAL NOT NULL, at TEXT NOT NULL)',
      `CREATE TABLE own_tasks (id TEXT PRIMARY KEY, restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT, what TEXT NOT NULL, minutes INTEGER NOT NULL, hands INTEGER NOT NULL, place TEXT, afterTask TEXT, at TEXT NOT NULL)`,
      'CREATE INDEX own_tasks_restoration ON own_tasks (restorationId)',
      `CREATE TABLE task_marks (id TEXT PRIMARY KEY, startAt TEXT, notBefore TEXT, minutes INTEGER, dropped INTEGER NOT NULL, personId TEXT, at TEXT NOT NULL)`,
      `CREATE TABLE task_runs (id TEXT PRIMARY KEY, task TEXT NOT NULL, restorationId TEXT REFERENCES restorations(id) ON DELETE RESTRICT, kind TEXT NOT NULL, startedAt TEXT NOT NULL, endedAt TEXT, outcome TEXT, plannedMin INTEGER NOT NULL, minutes INTEGER, words TEXT NOT NULL)`,
      'CREATE INDEX task_runs_restoration ON task_runs (restorationId)',
      'CREATE INDEX task_runs_task ON task_runs (task)',
      'CREATE TABLE stock_care (id TEXT PRIMARY KEY, low REAL, shelf TEXT NOT NULL, keepsDays INTEGER, openedAt TEXT, deliveryDays INTEGER, thrownAt TEXT, at TEXT NOT NULL)',
      'CREATE TABLE plans (id TEXT PRIMARY KEY, number INTEGER NOT NULL, at TEXT NOT NULL, mark INTEGER NOT NULL, plan JSON NOT NULL)',
    ],
  },
  ...found,
  ...deleted,
  ...manyYears,
  ...bells,
];
