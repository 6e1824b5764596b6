import fc from 'fast-check';
import { addFinding } from '@/work/findings';
import { takeThingBack } from '@/work/takingBack';
import { bringOut, putAway } from '@/work/restorations';
import { inTrialWorkshop, tick, trialPhoto, trialPiece } from '@/work/trial';
import { database } from './connection';
import { findWords } from './found';
import { changeRow, select } from './table';

inTrialWorkshop();

const found = async (words: string, more: Partial<Parameters<typeof findWords>[1]> = {}) =>
  (await findWords(words, { most: 50, ...more })).map(({ kind, machine }) => [kind, machine] as const);
const spot = async () => {
  const piece = await trialPiece();
  const finding = await addFinding(
    {
      ...{ restorationId: piece.restorationId, pieceId: piece.id, stage: 'wash', kind: 'soiled', severity: 'plain' },
      words: 'Bräunlicher Schleier am Rand',
    },
    tick(),
  );
  return { piece, finding };
};

it('finds by how a word begins, without its accents, all words wanted; the log tells of it too', async () => {
  const { finding, piece } = await spot();
  expect(await found('schleier', { kind: 'findings' })).toHaveLength(1);
  expect(await found('SCHLEI braun', { kind: 'findings' })).toHaveLength(1);
  expect(await found('schleier fenster')).toEqual([]);
  expect((await found('schleier')).map(([kind]) => kind).sort()).toEqual(['findings', 'log']);
  await changeRow('findings', { id: finding.id }, { words: 'a window' });
  expect(await found('schleier', { kind: 'findings' })).toEqual([]);
  expect(await found('window', { kind: 'findings' })).toHaveLength(1);
  const photo = await trialPhoto(piece.restorationId, 31);
  expect(await found('trial-31', { kind: 'photos' })).toHaveLength(1);
  await takeThingBack('photograph', photo.id, tick());
  expect(await found('trial-31', { kind: 'photos' })).toEqual([]);
});

it('finds by day and month, page by page, and nothing that is put away', async () => {
  const { piece } = await spot();
  const [{ day }] = (await select<{ day: string }>(`SELECT substr(MAX(at), 1, 10) AS day FROM log`)) as [
    { day: string },
  ];
  expect((await found(day)).length).toBeGreaterThan(2);
  expect((await found(day.slice(0, 7))).length).toBeGreaterThan(2);
  expect(await found('1999-01')).toEqual([]);
  const first = await findWords(day, { most: 2 });
  const second = await findWords(day, { most: 2, before: first[1]!.id });
  expect(second[0]!.id).toBeLessThan(first[1]!.id);
  await putAway(piece.restorationId, tick());
  expect(
    (await findWords('lid', { most: 99 })).some(({ restorationId }) => restorationId === piece.restorationId),
  ).toBe(false);
  await bringOut(piece.restorationId, tick());
  expect(
    (await findWords('lid', { most: 99 })).some(({ restorationId }) => restorationId === piece.restorationId),
  ).toBe(true);
});

it('takes any words, however long or strange', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.oneof(
        fc.string({ maxLength: 60 }),
        fc.constantFrom(
          '"',
          'NEAR(',
          'a AND',
          '*',
          '^x',
          '{a}:b',
          'words:x',
          '-',
          'x'.repeat(10_000),
          `${'ab '.repeat(4000)}`,
        ),
      ),
      async (words) => {
        expect(Array.isArray(await findWords(words, { most: 3 }))).toBe(true);
      },
    ),
    { numRuns: 150 },
  );
});

it('the index holds what the tables hold, by its own check', async () => {
  await spot();
  const { sequelize } = await database();
  await sequelize.query(`INSERT INTO found (found, rank) VALUES ('integrity-check', 1)`);
});
