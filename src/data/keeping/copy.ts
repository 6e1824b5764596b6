import { rm } from 'node:fs/promises';
import path from 'node:path';
import { database } from '../connection';
import { dataFolder } from '../folder';
import { incomingPlace } from '../incoming';
import { isThere } from '../isThere';
import { originalFile } from '../photos/store';
import { brokenIn, contentsOf, lookAt, type Contents } from './looked';

/** A copy of the database, taken while people work, with what is in it. */
export interface TakenCopy {
  file: string;
  contents: Contents;
}

/**
 * Takes a copy of the database as it is at one instant, while others go on writing, and looks whether it is whole. It is
 * gone again after `work`.
 *
 * @throws Error where the copy is damaged: then the database itself is
 */
export async function withCopy<T>(work: (copy: TakenCopy) => Promise<T>): Promise<T> {
  // Migrated before it is copied, and there at all.
  await database();
  const file = await incomingPlace('copy');
  try {
    // In a connection of its own: of a large workshop this takes long, and no page waits for it.
    const live = await lookAt(path.join(dataFolder(), 'kvell.sqlite'));
    await live.run('VACUUM INTO ?', file).finally(live.close);
    const looked = await lookAt(file);
    try {
      const [wrong] = await brokenIn(looked);
      if (wrong) throw Object.assign(new Error(`The copy is damaged: ${wrong}`), { code: 'SQLITE_CORRUPT' });
      const known = await contentsOf(looked);
      const missing: string[] = [];
      for (const photo of known.photos) if (!(await isThere(originalFile(photo)))) missing.push(photo.hash);
      const gone = new Set(missing);
      return await work({
        file,
        contents: { ...known, photos: known.photos.filter(({ hash }) => !gone.has(hash)), missing },
      });
    } finally {
      await looked.close();
    }
  } finally {
    await rm(file, { force: true });
  }
}
