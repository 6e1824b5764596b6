import type { Migration } from './migration';

const said = `json_object('kind', 'said', 'words', value)`;
const lightChanges = `json_object('kind', 'light changes',
  'region', substr(value, instr(value, '“') + 1, instr(value, '”') - instr(value, '“') - 1),
  'share', CAST(substr(value, 28) AS REAL) / 100)`;

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
];
