import { Refusal } from '@/core/refusal';
import { showTime } from '@/core/runsheet/time';
import { accessPlace } from '@/data/keeping/place';
import { checkHouse, mendHouse, type HouseChecked, type Mended, type Wrong } from '@/data/keeping/house';
import { putBack } from '@/data/keeping/putBack';
import { newSeal } from '@/data/keeping/sealed';
import type { BackupSource } from '@/data/keeping/source';
import { backupFolder, changeKeeping, keepingState, type GoodCopy } from '@/data/keeping/state';
import { backupInto, copiesIn, openCopy, tidy } from '@/data/keeping/store';
import { appendLog, newestMark } from '@/data/log';
import { findRows, select } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { letDeletedGo } from '../deleted';

const DAY_MS = 86_400_000;
/** Without a good backup for so long, the bench says so. */
export const TOO_OLD_DAYS = 14;

const dayOf = async (now: Date): Promise<string> =>
  showTime(now.toISOString(), (await getWorkshop()).timeZone, 'yyyy-MM-dd');

const kept = globalThis as { kvellBackup?: Promise<GoodCopy> | undefined; kvellLetGo?: string };

/** Makes a backup in the folder of the workshop, reads it back, and lets old ones go. One at a time: whoever asks meanwhile gets the same. */
export function backUp(now: Date): Promise<GoodCopy> {
  kept.kvellBackup ??= (async () => {
    const state = await keepingState();
    const folder = backupFolder(state);
    try {
      const last = await backupInto(folder, state.seal, await dayOf(now), now);
      await tidy(folder);
      await changeKeeping({ last, failed: null });
      return last;
    } catch (failure) {
      await changeKeeping({ failed: { at: now.toISOString(), why: (failure as Error).message } }).catch(() => {});
      throw failure;
    }
  })().finally(() => {
    kept.kvellBackup = undefined;
  });
  return kept.kvellBackup;
}

/**
 * Whether everything that was written is in a backup. A backup that was put back takes the numbers of the log back with it,
 * so that its newest entry has to be as old as the copy too.
 */
async function holdsAll(last: GoodCopy | null, mark: number): Promise<boolean> {
  if (mark === 0) return true;
  if (mark !== last?.mark) return false;
  const [newest] = await select<{ at: string }>('SELECT at FROM log WHERE id = :mark', { mark });
  return newest !== undefined && newest.at <= last.at;
}

/** Whether today’s backup is still to be made: one a day, where something was written since the last, and not again within the hour after a try that failed. */
export async function backupIsDue(now: Date): Promise<boolean> {
  const { daily, last, failed } = await keepingState();
  if (!daily) return false;
  if (await holdsAll(last, await newestMark())) return false;
  if (failed && now.getTime() - Date.parse(failed.at) < DAY_MS / 24 && now.getTime() >= Date.parse(failed.at))
    return false;
  return !last || (await dayOf(new Date(last.at))) !== (await dayOf(now));
}

/** Sees to today’s backup, and once a day to what was deleted long enough ago. Who answers somebody does not wait for it. */
export async function keepTheHouse(now: Date): Promise<void> {
  if (kept.kvellBackup) return;
  if (await backupIsDue(now)) await backUp(now);
  await letGoOncePerDay(now);
}

/** After the backup of the day, so that what goes is in one at least where backups are made. */
async function letGoOncePerDay(now: Date): Promise<void> {
  const day = await dayOf(now);
  if (kept.kvellLetGo === day) return;
  kept.kvellLetGo = day;
  await letDeletedGo(now);
}

/** How long the newest good backup lags behind, days; `null` where everything written is in it, or nothing was written yet. */
export async function backupLagDays(now: Date): Promise<number | null> {
  const [{ last }, mark] = await Promise.all([keepingState(), newestMark()]);
  if (await holdsAll(last, mark)) return null;
  const [first] = await select<{ at: string }>('SELECT at FROM log WHERE id > :mark ORDER BY id LIMIT 1', {
    mark: last?.mark ?? 0,
  });
  const since = last ? last.at : first?.at;
  return since ? Math.max(0, (now.getTime() - Date.parse(since)) / DAY_MS) : null;
}

/** Says where backups go, and whether one is made each day. @throws Refusal (`folder`) for one that cannot be written to */
export async function setKeeping(folder: string | null, daily: boolean): Promise<void> {
  if (folder !== null) await accessPlace(folder);
  await changeKeeping({ folder, daily });
}

/** Seals backups from now on with a passphrase, or lets them lie open (`null`). Those made before stay as they are. */
export async function sealBackups(passphrase: string | null): Promise<void> {
  await changeKeeping({ seal: passphrase === null ? null : await newSeal(passphrase) });
}

/** What putting a backup back would do. */
export interface BackupLook {
  at: string;
  workshop: string;
  restorations: { id: string; title: string }[];
  photos: number;
  missing: number;
  /** Log entries that are here and not in it. */
  newer: number;
  /** Restorations that are here and not in it: they would be gone. */
  gone: string[];
}

/** What is in a backup, beside what is here. */
export async function lookInto({ head, contents }: BackupSource): Promise<BackupLook> {
  const here = await findRows('restorations');
  const inIt = new Set(contents.restorations.map(({ id }) => id));
  return {
    ...{ at: head.at, workshop: contents.workshop, photos: contents.photos.length, missing: contents.missing.length },
    restorations: contents.restorations.map(({ id, title }) => ({ id, title })),
    newer: Math.max(0, (await newestMark()) - contents.mark),
    gone: here.filter(({ id }) => !inIt.has(id)).map(({ title }) => title),
  };
}

/**
 * Puts a backup in the place of everything that is here. What is here is backed up first, where there is anything, so that
 * it can be put back in turn.
 *
 * @throws Refusal (`file`) with what is wrong; then nothing was changed
 */
export async function restore(source: BackupSource, now: Date): Promise<void> {
  await putBack(source, now, async () => {
    if ((await newestMark()) > 0) await backUp(now);
  });
  await changeKeeping({ failed: null });
  await appendLog(
    {
      ...{ restorationId: null, stage: null, kind: 'backup' },
      words: `The backup of ${source.head.at.slice(0, 16).replace('T', ' ')} UTC was put back. What was here before is the backup made just before it.`,
    },
    now,
  );
}

/** A backup of the workshop’s folder, opened. @throws Refusal */
export const copyOfFolder = async (id: string, passphrase: string): Promise<BackupSource> =>
  openCopy(backupFolder(await keepingState()), id, passphrase);

/** Backups in the workshop’s folder. */
export const copiesOfWorkshop = async () => copiesIn(backupFolder(await keepingState()));

/** The newest backup that opens without asking anybody; `null` where there is none. */
async function openBackup(): Promise<BackupSource | null> {
  for (const { id, recipient } of await copiesOfWorkshop())
    if (recipient === null) {
      const opened = await copyOfFolder(id, '').catch((failure: unknown) => {
        if (failure instanceof Refusal) return null;
        throw failure;
      });
      if (opened) return opened;
    }
  return null;
}

/** Looks over everything that is kept. */
export const checkAll = (): Promise<HouseChecked> => checkHouse();

/** Mends what can be mended, and writes into the log what was done. */
export async function mendAll(now: Date): Promise<{ wrong: Wrong; mended: Mended }[]> {
  const done = await mendHouse(await openBackup());
  const times = (what: Mended) => done.filter(({ mended }) => mended === what).length;
  if (done.length > 0)
    await appendLog(
      {
        ...{ restorationId: null, stage: null, kind: 'check' },
        words: `Looked over and mended: ${times('brought back')} photographs brought back from the backup, ${times('put aside')} files put aside, ${times('taken away')} half-written ones taken away, ${times('stays')} things stay as they are.`,
        data: done,
      },
      now,
    );
  return done;
}
