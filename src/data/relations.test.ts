import { database } from './connection';
import { RELATIONS } from './relations';
import type { Table } from './column';
import { TABLES } from './tables';
import { addRow, changeRow, select } from './table';
import { inTrialWorkshop, tick, trialPhoto, trialPiece, trialRestoration } from '@/work/trial';
import { addFinding } from '@/work/findings';

inTrialWorkshop();

const told = Object.entries(RELATIONS).flatMap(([table, fields]) =>
  Object.entries(fields ?? {}).map(([field, target]) => `${table}.${field} ${target}`),
);

it('every field that names a row of the same restoration says of which table, or that it goes across', () => {
  const fields = Object.entries(TABLES as Record<string, Table>).flatMap(([table, { columns }]) =>
    'restorationId' in columns
      ? Object.entries(columns).map(([name, { names, across }]) => ({ is: `${table}.${name}`, name, names, across }))
      : [],
  );
  const naming = fields.filter(({ name }) => /Id$/.test(name) && name !== 'restorationId');
  expect(naming.length).toBeGreaterThan(25);
  expect(naming.filter(({ names, across }) => !names && !across)).toEqual([]);
  for (const { names } of fields) if (names) expect(Object.keys(TABLES)).toContain(names);
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
