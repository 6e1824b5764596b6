import { createReadStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import yazl from 'yazl';
import { Refusal } from '@/core/refusal';
import { incomingPlace } from '../incoming';
import { LARGEST_FILE_BYTES } from '../photos/decode';
import { originalFile } from '../photos/store';
import { entryStream, openZip, readEntry, type ZipRules } from '../zipFile';
import { withCopy } from './copy';
import { hashOfFile, isSealed, sealWith, unsealWith, writeDown } from './sealed';
import { BACKUP_FORMAT, BACKUP_VERSION, readContents, readHead, type BackupHead, type BackupSource } from './source';

/** Largest backup taken in; it is read from the disk, never whole in memory. */
export const LARGEST_BACKUP_BYTES = 256 * 1024 ** 3;
const LARGEST_JSON_BYTES = 512 * 1024 ** 2;
const LARGEST_DATABASE_BYTES = 16 * 1024 ** 3;

const RULES: ZipRules = {
  known: /^(backup\.json|contents\.json|kvell\.sqlite|photos\/[0-9a-f]{64}\.(jpg|png|webp))$/,
  mostEntries: 2_000_100,
  // A database packs well.
  besideBytes: LARGEST_DATABASE_BYTES,
  limitOf: (name) =>
    name.startsWith('photos/')
      ? LARGEST_FILE_BYTES
      : name.endsWith('.json')
        ? LARGEST_JSON_BYTES
        : LARGEST_DATABASE_BYTES,
  what: 'a backup',
  none: 'no backup',
  from: 'a file that was saved under Workshop, Backup',
  again: 'Choose a file that was saved under Workshop, Backup.',
};

/**
 * The whole workshop as one ZIP, packed as it is read; sealed with a passphrase where one is given. The copy of the
 * database lies beside the data until the last byte went out or the reader went away.
 */
export async function backupZip(day: string, passphrase: string, now: Date): Promise<Readable> {
  let letGo = () => {};
  const gone = new Promise<void>((resolve) => (letGo = resolve));
  const packed = await new Promise<Readable>((resolve, reject) => {
    withCopy(async ({ file, contents }) => {
      const head: BackupHead = {
        ...{ format: BACKUP_FORMAT, version: BACKUP_VERSION, at: now.toISOString(), day, recipient: null },
        database: await hashOfFile(file),
        bytes: contents.photos.reduce((sum, { bytes }) => sum + bytes, 0),
      };
      const zip = new yazl.ZipFile();
      const options = { mtime: now };
      zip.addBuffer(Buffer.from(JSON.stringify(head, null, 2)), 'backup.json', options);
      zip.addBuffer(Buffer.from(JSON.stringify(contents)), 'contents.json', options);
      zip.addFile(file, 'kvell.sqlite', options);
      for (const photo of contents.photos)
        zip.addFile(originalFile(photo), `photos/${photo.hash}.${photo.extension}`, { ...options, compress: false });
      zip.end();
      const out = zip.outputStream as Readable;
      zip.on('error', (failure: Error) => out.destroy(failure));
      out.once('close', letGo);
      out.once('end', letGo);
      resolve(passphrase === '' ? out : await sealWith(out, passphrase));
      await gone;
    }).catch(reject);
  });
  return packed;
}

/**
 * A backup out of a ZIP that was saved, sealed or not, for as long as `work` needs it.
 *
 * @throws Refusal (`file`, `passphrase`)
 */
export async function withZipped<T>(
  file: string,
  passphrase: string,
  work: (source: BackupSource) => Promise<T>,
): Promise<T> {
  if (await isSealed(file)) {
    if (passphrase === '') throw new Refusal('passphrase', 'This backup is sealed. Type its passphrase.');
    const opened = await incomingPlace('opened');
    try {
      await writeDown(await unsealWith(createReadStream(file), passphrase), opened).catch((failure: unknown) => {
        throw failure instanceof Refusal || (failure as { code?: string }).code?.startsWith('E')
          ? failure
          : new Refusal(
              'file',
              'The backup broke off or was changed after it was sealed. Nothing was changed here; use another one.',
            );
      });
      return await withZipped(opened, '', work);
    } finally {
      await rm(opened, { force: true });
    }
  }
  const zip = await openZip(file, RULES);
  try {
    const need = async (name: string): Promise<Readable> => {
      const stream = await entryStream(zip, name);
      if (!stream) throw new Refusal('file', `${name} is missing from this backup. Use another one.`);
      return stream;
    };
    return await work({
      head: readHead(await readEntry(zip, 'backup.json')),
      contents: readContents(await readEntry(zip, 'contents.json')),
      database: () => need('kvell.sqlite'),
      photo: ({ hash, extension }) => need(`photos/${hash}.${extension}`),
    });
  } finally {
    zip.zip.close();
  }
}
