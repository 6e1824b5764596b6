import { mkdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { isThere } from '../isThere';

/** Where what is put back lies until it takes the place of what was there. */
const STAGE = 'restoring';
const READY = 'ready.json';
/** Who makes it ready; a stage that nobody makes ready any more is none. */
const BY = 'by.json';
const DATABASE_FILES = ['kvell.sqlite', 'kvell.sqlite-wal', 'kvell.sqlite-shm'] as const;

/** The place where a backup is made ready to be put back; `null` where another one is just now. */
export async function makeStage(folder: string): Promise<string | null> {
  const stage = path.join(folder, STAGE);
  try {
    await mkdir(stage, { mode: 0o700 });
    await writeFile(path.join(stage, BY), JSON.stringify({ pid: process.pid }));
    return stage;
  } catch (failure) {
    if ((failure as { code?: string }).code === 'EEXIST') return null;
    throw failure;
  }
}

/** Takes the stage away again: nothing is put back. */
export const dropStage = (folder: string): Promise<void> =>
  rm(path.join(folder, STAGE), { recursive: true, force: true });

/** The same, unless what lies there is ready: the database that was in use may be put aside already. */
export async function dropUnready(folder: string): Promise<void> {
  if (!(await isThere(path.join(folder, STAGE, READY)))) await dropStage(folder);
}

/**
 * Says that the staged database is whole, and is to take its place. From here on a plugged-out machine goes on with it at
 * the next start.
 *
 * @param aside folder that the database in use goes to
 */
export async function stageIsReady(folder: string, aside: string): Promise<void> {
  const file = path.join(folder, STAGE, READY);
  await writeFile(`${file}.half`, JSON.stringify({ aside }), { mode: 0o600, flush: true });
  await rename(`${file}.half`, file);
}

/**
 * Puts a staged database into its place, if one is ready, and what was there aside. It may be interrupted anywhere, and
 * done again. No database of the folder may be open.
 */
export async function finishSwap(folder: string): Promise<void> {
  const stage = path.join(folder, STAGE);
  if (!(await isThere(stage))) return;
  const ready = await readFile(path.join(stage, READY), 'utf8').catch(() => null);
  if (ready !== null && (await isThere(path.join(stage, 'kvell.sqlite')))) {
    const { aside } = JSON.parse(ready) as { aside: string };
    await mkdir(aside, { recursive: true, mode: 0o700 });
    for (const name of DATABASE_FILES)
      if (await isThere(path.join(folder, name))) await rename(path.join(folder, name), path.join(aside, name));
    await rename(path.join(stage, 'kvell.sqlite'), path.join(folder, 'kvell.sqlite'));
  }
  if (ready !== null || !(await isBeingMade(stage))) await dropStage(folder);
}

/** Whether somebody still makes a stage ready. */
async function isBeingMade(stage: string): Promise<boolean> {
  try {
    const { pid } = JSON.parse(await readFile(path.join(stage, BY), 'utf8')) as { pid: number };
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
