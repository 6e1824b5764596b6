import { database } from './connection';
import { ACROSS, RELATIONS } from './relations';
import { TABLES, type TableName } from './schema';
import { addRow, changeRow, select } from './table';
import { inTrialWorkshop, tick, trialPhoto, trialPiece, trialRestoration } from './trial';
import { addFinding } from './findings';

inTrialWorkshop();

/** Columns that name a row of another table, without what a restoration itself and its own row are named by. */
const naming = (table: TableName): string[] =>
  Object.keys(TABLES[table]).filter(
    (column) => (/Id$/.test(column) && column !== 'restorationId') || ['continues', 'corrects'].includes(column),
  );

const told = Object.entries(RELATIONS).flatMap(([table, fields]) =>
  Object.entries(fields).map(([field, target]) => `${table}.${field} ${target}`),
);

it('every field that names a row of the same restoration is told, or said to go across', () => {
  const fields = (Object.keys(TABLES) as TableName[])
    .filter((table) => 'restorationId' in TABLES[table])
    .flatMap((table) => naming(table).map((column) => `${table}.${column}`));
  expect(fields.length).toBeGreaterThan(25);
  expect(fields.filter((field) => !ACROSS.includes(field)).sort()).toEqual(
    told.map((one) => one.split(' ')[0]!).sort(),
  );
});

it('the database holds each of them, for what is added and for what is changed', async () => {
  await database();
  const made = await select<{ name: string; tbl_name: string; sql: string }>(
    `SELECT name, tbl_name, sql FROM sqlite_master WHERE type = 'trigger'`,
  );
  const held = made.flatMap(({ name, tbl_name: table, sql }) => {
    const found = /EXISTS \(SELECT 1 FROM (\w+) WHERE id = NEW\.(\w+) /.exec(sql);
    return found && sql.includes('two restorations')
      ? [`${table}.${found[2]} ${found[1]} ${name.endsWith('_in') ? 'added' : 'changed'}`]
      : [];
  });
  expect(held.sort()).toEqual(told.flatMap((one) => [`${one} added`, `${one} changed`]).sort());
});

it('a thing of one machine is never joined to another, and whoever tries is told', async () => {
  const [one, other] = [await trialRestoration(), await trialRestoration()];
  const [mine, foreign] = [await trialPiece({ restorationId: one.id }), await trialPiece({ restorationId: other.id })];
  const photo = await trialPhoto(other.id);
  const finding = {
    restorationId: one.id,
    stage: 'intake',
    kind: 'soiled',
    part: 'case',
    severity: 'bad',
    words: '',
    photoId: null,
    pin: null,
  } as const;
  await expect(addFinding({ ...finding, pieceId: foreign.id }, tick())).rejects.toMatchObject({
    field: 'pieceId',
    message: expect.stringContaining('another restoration') as string,
  });
  const { id } = await addFinding({ ...finding, pieceId: mine.id }, tick());
  await expect(changeRow('findings', { id }, { photoId: photo.id })).rejects.toMatchObject({ field: 'photoId' });
  await expect(changeRow('findings', { id }, { restorationId: other.id })).rejects.toThrow('another restoration');
  await expect(addRow('blocks', { restorationId: one.id, firstId: 'a', thenId: 'b', why: '' })).rejects.toThrow(
    'not here any more',
  );
});
