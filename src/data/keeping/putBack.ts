import { mkdir, rename, stat } from 'node:fs/promises';
import path from 'node:path';
import { Refusal } from '@/core/refusal';
import { whileClosed } from '../connection';
import { dataFolder } from '../folder';
import { NewerData } from '../fault';
import { originalFile } from '../photos/store';
import { brokenIn, lookAt, shapeAt, shapeOf, type LookedAt } from './looked';
import { hashOfFile, writeDown } from './sealed';
import type { BackupSource } from './source';
import { dropUnready, makeStage, stageIsReady } from './swap';

const refuse = (words: string) => new Refusal('file', `${words} Nothing was changed here; use another backup.`);

/** What SQLite may keep in a column of a type; any other would come out as something that no page expects. */
const MAY_HOLD: Record<string, (column: string) => string> = {
  TEXT: (column) => `typeof(${column}) IN ('text', 'null')`,
  'VARCHAR(255)': (column) => `typeof(${column}) IN ('text', 'null')`,
  INTEGER: (column) => `typeof(${column}) IN ('integer', 'null')`,
  REAL: (column) => `typeof(${column}) IN ('integer', 'real', 'null')`,
  JSON: (column) => `${column} IS NULL OR json_valid(${column})`,
};

/** The first value of a database that is not of the type of its column; `null` where all are. */
async function wrongValue(looked: LookedAt): Promise<string | null> {
  for (const { name } of await looked.all<{ name: string }>(
    `SELECT name FROM sqlite_master WHERE type = 'table' AND sql NOT LIKE 'CREATE VIRTUAL%'`,
  ))
    for (const column of await looked.all<{ name: string; type: string }>(`PRAGMA table_info("${name}")`)) {
      const isFit = MAY_HOLD[column.type]?.(`"${column.name}"`);
      if (!isFit) continue;
      const [wrong] = await looked.all<{ row: number }>(
        `SELECT rowid AS "row" FROM "${name}" WHERE NOT (${isFit}) LIMIT 1`,
      );
      if (wrong) return `${name}, row ${wrong.row}, ${column.name}`;
    }
  return null;
}

/** Holds a database out of a backup against what a workshop’s database is. @throws Refusal (`file`) */
async function needsSound(file: string, migration: string): Promise<void> {
  const looked = await lookAt(file).catch(() => {
    throw refuse('The database in it cannot be opened.');
  });
  try {
    const [wrong] = await brokenIn(looked).catch(() => ['it is no database']);
    if (wrong) throw refuse(`The database in it is damaged: ${wrong.slice(0, 200)}.`);
    const names = (await looked.all<{ name: string }>('SELECT name FROM migrations ORDER BY name').catch(() => [])).map(
      ({ name }) => name,
    );
    if (names.at(-1) !== migration)
      throw refuse('The database in it is not the one that its list of contents tells of.');
    const shape = await shapeAt(migration).catch((failure: unknown) => {
      if (failure instanceof NewerData || /migration/i.test((failure as Error).message))
        throw refuse(
          `It was made by a later Kvell: its database knows “${migration}”, which this one does not. Start the newer one, then put it back there.`,
        );
      throw failure;
    });
    const found = await shapeOf(looked);
    const foreign = found.find((line) => !shape.includes(line)) ?? shape.find((line) => !found.includes(line));
    if (foreign) throw refuse(`Its database is not built as Kvell builds one (${foreign.slice(0, 120)}).`);
    const row = await wrongValue(looked);
    if (row) throw refuse(`A value in its database is of another type than Kvell writes there (${row}).`);
  } finally {
    await looked.close();
  }
}

/** Photographs of a backup that are not here, laid down beside the data and held against their names, then put to their places. */
async function bringPhotos({ contents, photo }: BackupSource, stage: string): Promise<void> {
  const laid: { from: string; to: string }[] = [];
  for (const one of contents.photos) {
    const to = originalFile(one);
    const known = await stat(to).catch(() => null);
    if (known && (await hashOfFile(to)).sha256 === one.hash) continue;
    const from = path.join(stage, `${one.hash}.${one.extension}`);
    const { sha256 } = await writeDown(await photo(one), from).catch((failure: unknown) => {
      throw failure instanceof Refusal || (failure as { code?: string }).code?.startsWith('E')
        ? failure
        : refuse(`The photograph ${one.hash.slice(0, 12)} in it is damaged.`);
    });
    if (sha256 !== one.hash) throw refuse(`The photograph ${one.hash.slice(0, 12)} in it was changed.`);
    laid.push({ from, to });
  }
  for (const { from, to } of laid) {
    await mkdir(path.dirname(to), { recursive: true, mode: 0o700 });
    await rename(from, to);
  }
}

/** Whether another program has a database file open: then it would go on writing into what is put aside. */
async function needsAlone(file: string): Promise<void> {
  const looked = await lookAt(file, 'to change');
  try {
    const [mode] = await looked.all<{ journal_mode: string }>('PRAGMA journal_mode = DELETE').catch(() => []);
    if (mode?.journal_mode !== 'delete')
      throw new Refusal(
        'file',
        'Another program has this workshop’s database open: a second Kvell, or a database viewer. Close it, then put the backup back. Nothing was changed.',
      );
  } finally {
    await looked.close();
  }
}

/**
 * Puts a backup in the place of what is here: looked at whole first, then swapped in one step that a pulled plug does not
 * tear. What was here goes to a folder of its own.
 *
 * @param before done once all of it was looked at and before anything is swapped
 * @returns the folder that holds the database that was here
 * @throws Refusal (`file`) with what is wrong; then nothing was changed
 */
export async function putBack(source: BackupSource, now: Date, before: () => Promise<void>): Promise<string> {
  const folder = dataFolder();
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const stage = await makeStage(folder);
  if (!stage)
    throw new Refusal(
      'file',
      'Another backup is being put back just now. Wait until it is done, then look what is here.',
    );
  try {
    const file = path.join(stage, 'kvell.sqlite');
    const damaged = refuse('The database in it is damaged or broke off.');
    const { sha256 } = await writeDown(await source.database(), file).catch((failure: unknown) => {
      throw failure instanceof Refusal || (failure as { code?: string }).code?.startsWith('E') ? failure : damaged;
    });
    if (sha256 !== source.head.database.sha256) throw damaged;
    await needsSound(file, source.contents.migration);
    await bringPhotos(source, stage);
    await before();
    const aside = path.join(folder, 'replaced', now.toISOString().slice(0, 19).replaceAll(':', ''));
    await whileClosed(async () => {
      await needsAlone(path.join(folder, 'kvell.sqlite'));
      await stageIsReady(folder, aside);
    });
    return aside;
  } finally {
    // What is ready to take its place is left for the next start to finish.
    await dropUnready(folder);
  }
}
