import { mkdir, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { fewAtATime } from '../fewAtATime';
import { filesUnder } from '../filesUnder';
import { dataFolder } from '../folder';
import { originalFile } from '../photos/store';
import { isBeingWritten } from '../photos/sweep';
import { select } from '../table';
import { brokenIn, lookAt, PHOTO_FILES } from './looked';
import { hashOfFile, writeDown } from './sealed';
import type { BackupSource } from './source';

/** Something that is not as it should be. */
export type Wrong =
  | { kind: 'database'; words: string }
  | { kind: 'photo missing' | 'photo changed'; hash: string; extension: string; names: string[]; machines: string[] }
  | { kind: 'no row'; file: string; bytes: number }
  | { kind: 'half written'; file: string };

export interface HouseChecked {
  photos: number;
  bytes: number;
  wrong: Wrong[];
}

interface PhotoNamed {
  hash: string;
  extension: string;
  name: string;
  machine: string;
}

/**
 * Looks over everything that is kept: the database by its own check, each photograph against the hash it was kept under,
 * and what lies in the folder without anything that speaks of it. Nothing is changed.
 */
export async function checkHouse(): Promise<HouseChecked> {
  const folder = dataFolder();
  const looked = await lookAt(path.join(folder, 'kvell.sqlite'));
  const wrong: Wrong[] = (await brokenIn(looked).finally(looked.close)).map((words) => ({ kind: 'database', words }));
  const named = new Map<string, PhotoNamed[]>();
  for (const photo of await select<PhotoNamed>(
    `SELECT files.hash, files.extension, files.name, COALESCE(restorations.title, '') AS machine FROM (${PHOTO_FILES}) AS files LEFT JOIN restorations ON restorations.id = files.restorationId`,
  ))
    named.set(photo.hash, [...(named.get(photo.hash) ?? []), photo]);
  const read = await fewAtATime([...named], async ([hash, of]) => {
    const found = await hashOfFile(originalFile({ hash, extension: of[0]!.extension })).catch(() => null);
    return { hash, of, found };
  });
  for (const { hash, of, found } of read) {
    if (found?.sha256 === hash) continue;
    const { extension } = of[0]!;
    wrong.push({
      ...{ kind: found ? 'photo changed' : 'photo missing', hash, extension, names: of.map(({ name }) => name) },
      machines: [...new Set(of.map(({ machine }) => machine))],
    });
  }
  for (const place of ['photos', 'thumbnails', 'incoming']) {
    for await (const whole of filesUnder(path.join(folder, place))) {
      const known = await stat(whole).catch(() => null);
      if (!known?.isFile()) continue;
      const file = path.relative(folder, whole);
      if (file.endsWith('.part')) {
        if (!isBeingWritten(whole)) wrong.push({ kind: 'half written', file });
      } else if (place === 'photos' && !named.has(path.basename(file).split('.')[0]!))
        wrong.push({ kind: 'no row', file, bytes: known.size });
    }
  }
  return { photos: named.size, bytes: read.reduce((sum, { found }) => sum + (found?.bytes ?? 0), 0), wrong };
}

/** What becomes of something wrong when it is mended. */
export type Mended = 'brought back' | 'put aside' | 'taken away' | 'stays';

/**
 * Mends what can be: a photograph that is gone or changed comes back from the backup where that has it; a file that nothing
 * speaks of is put aside, not thrown away; what is half written goes.
 *
 * @param backup the newest good backup that can be opened; `null` where there is none
 */
export async function mendHouse(backup: BackupSource | null): Promise<{ wrong: Wrong; mended: Mended }[]> {
  const folder = dataFolder();
  const mend = async (wrong: Wrong): Promise<Mended> => {
    switch (wrong.kind) {
      case 'database':
        return 'stays';
      case 'half written':
        await rm(path.join(folder, wrong.file), { force: true });
        return 'taken away';
      case 'no row': {
        const aside = path.join(folder, 'lost-and-found');
        await mkdir(aside, { recursive: true, mode: 0o700 });
        await rename(path.join(folder, wrong.file), path.join(aside, path.basename(wrong.file)));
        return 'put aside';
      }
      case 'photo missing':
      case 'photo changed': {
        if (!backup?.contents.photos.some(({ hash }) => hash === wrong.hash)) return 'stays';
        const to = originalFile(wrong);
        await mkdir(path.dirname(to), { recursive: true, mode: 0o700 });
        const half = `${to}.${process.pid}.mended.part`;
        try {
          if ((await writeDown(await backup.photo(wrong), half)).sha256 !== wrong.hash) return 'stays';
          await rename(half, to);
          return 'brought back';
        } finally {
          await rm(half, { force: true });
        }
      }
    }
  };
  const mended: { wrong: Wrong; mended: Mended }[] = [];
  for (const wrong of (await checkHouse()).wrong) mended.push({ wrong, mended: await mend(wrong) });
  return mended;
}
