import { chmod, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import { closeDatabase, database, inTransaction } from './connection';
import { FAULTS, faultOf, NewerData, type Fault } from './fault';
import { changeRow } from './table';
import { freshFolder, removeFolders, trialFolder, trialRestoration } from '@/work/trial';

afterAll(removeFolders);

const codes: [Fault, string][] = [
  ['full', 'SQLITE_FULL'],
  ['full', 'ENOSPC'],
  ['read-only', 'SQLITE_READONLY_DBMOVED'],
  ['read-only', 'EROFS'],
  ['read-only', 'EACCES'],
  ['locked', 'SQLITE_BUSY'],
  ['damaged', 'SQLITE_CORRUPT'],
  ['damaged', 'SQLITE_NOTADB'],
  ['not there', 'SQLITE_CANTOPEN'],
];
it.each(codes)('%s is told by %s, however deep the library has it', (fault, code) => {
  const thrown = Object.assign(new Error('x'), { code });
  expect([
    faultOf(thrown),
    faultOf({ parent: thrown }),
    faultOf(new Error('y', { cause: { parent: thrown } })),
  ]).toEqual([fault, fault, fault]);
});

it('any other error is none of the disk, and every fault has a case', () => {
  const round: { cause?: unknown } = {};
  round.cause = round;
  for (const other of [
    new Error('x'),
    Object.assign(new Error('x'), { code: 'SQLITE_CONSTRAINT' }),
    null,
    'SQLITE_FULL',
    round,
  ])
    expect(faultOf(other)).toBeNull();
  expect(new Set([...codes.map(([fault]) => fault), faultOf(new NewerData(['0999-x']))])).toEqual(new Set(FAULTS));
});

/** What opening the workshop comes to. */
const opened = () =>
  database().then(
    () => 'opened',
    (failure: unknown) => faultOf(failure),
  );

it('a database that is none, that a newer version wrote, or whose folder is a file, is told apart, and opens once it is mended', async () => {
  await freshFolder();
  await trialRestoration();
  const { sequelize } = await database();
  await sequelize.query(`INSERT INTO migrations (name) VALUES ('9999-later')`);
  await closeDatabase();
  expect(await opened()).toBe('newer');
  const folder = await trialFolder();
  process.env.KVELL_DATA = folder;
  await writeFile(path.join(folder, 'kvell.sqlite'), 'this is no database, however long it may be. '.repeat(400));
  expect(await opened()).toBe('damaged');
  expect((await stat(path.join(folder, 'kvell.sqlite'))).size).toBeGreaterThan(10_000);
  await rm(path.join(folder, 'kvell.sqlite'));
  expect(await opened()).toBe('opened');
  await closeDatabase();
  const file = path.join(folder, 'file');
  await writeFile(file, '');
  process.env.KVELL_DATA = file;
  expect(await opened()).toBe('not there');
  await chmod(folder, 0o700);
  await rm(folder, { recursive: true });
  await freshFolder();
});

it('a database that another program holds is told so when something is written', async () => {
  await freshFolder();
  const { id } = await trialRestoration();
  const other = new Sequelize({
    dialect: 'sqlite',
    storage: path.join(process.env.KVELL_DATA!, 'kvell.sqlite'),
    logging: false,
  });
  const held = await other.transaction({ type: Transaction.TYPES.EXCLUSIVE });
  try {
    const refused = await inTransaction(() => changeRow('restorations', { id }, { title: 'Other' })).catch(
      (failure: unknown) => failure,
    );
    expect(faultOf(refused)).toBe('locked');
  } finally {
    await held.rollback();
    await other.close();
  }
  expect(await inTransaction(() => changeRow('restorations', { id }, { title: 'Other' }))).toBe(true);
});
