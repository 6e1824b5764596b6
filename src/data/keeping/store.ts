import { constants, createReadStream } from 'node:fs';
import { copyFile, mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { Refusal } from '@/core/refusal';
import { copiesToKeep } from '@/core/keeping/retention';
import { fewAtATime } from '../fewAtATime';
import { originalFile } from '../photos/store';
import { isBeingWritten } from '../photos/sweep';
import { withCopy } from './copy';
import { hashOfFile, openLock, sealFor, unsealBy, writeDown, type Passed, type Seal } from './sealed';
import { BACKUP_FORMAT, BACKUP_VERSION, readContents, readHead, type BackupHead, type BackupSource } from './source';
import type { GoodCopy } from './state';
import type { Contents } from './looked';

/** A backup in the folder. */
export interface KeptCopy extends BackupHead {
  id: string;
}

const COPY_ID = /^\d{4}-\d{2}-\d{2}T\d{6}Z-[0-9a-f]{4}$/;
const inFolder = (folder: string, ...parts: string[]) => path.join(folder, ...parts);
/** Keys are named by the end of what is public of them. */
const keyName = (recipient: string) => recipient.slice(-16);
const sealedEnd = (recipient: string | null) => (recipient === null ? '' : '.age');
const photosOf = (recipient: string | null) => (recipient === null ? 'photos' : `photos-${keyName(recipient)}`);

/** Writes one file of a backup, sealed where backups are, and reads it back. */
async function put(content: Readable, file: string, recipient: string | null): Promise<Passed> {
  const half = `${file}.${process.pid}.${randomUUID()}.part`;
  try {
    const passed = await writeDown(recipient === null ? content : await sealFor(content, recipient), half);
    const back = await hashOfFile(half);
    if (back.sha256 !== passed.sha256)
      throw Object.assign(new Error(`What was written to ${file} reads back otherwise: its disk fails.`), {
        code: 'EIO',
      });
    await rename(half, file);
    return passed;
  } finally {
    await rm(half, { force: true });
  }
}

/** Each photograph that lies in a folder open is read again once in so many days: what its disk forgot is written anew while it is still here. */
const READ_AGAIN_DAYS = 30;

const DAY_MS = 86_400_000;

/** Whether this is the day of a photograph. @param day as `2026-06-21` */
export const isReadAgain = (hash: string, day: string): boolean =>
  parseInt(hash.slice(0, 8), 16) % READ_AGAIN_DAYS === Math.floor(Date.parse(day) / DAY_MS) % READ_AGAIN_DAYS;

/** One photograph into the folder, unless it lies there already, as it was. @returns its bytes as they lie there */
async function putPhoto(
  folder: string,
  photo: Contents['photos'][number],
  recipient: string | null,
  day: string,
): Promise<number> {
  const file = inFolder(folder, photosOf(recipient), `${photo.hash}.${photo.extension}${sealedEnd(recipient)}`);
  const known = await stat(file).catch(() => null);
  const isWhole = async () =>
    recipient !== null ||
    !isReadAgain(photo.hash, day) ||
    (await hashOfFile(file).catch(() => null))?.sha256 === photo.hash;
  if (known && known.size >= photo.bytes && (await isWhole())) return known.size;
  if (recipient !== null) return (await put(createReadStream(originalFile(photo)), file, recipient)).bytes;
  const half = `${file}.${process.pid}.${randomUUID()}.part`;
  try {
    // Where the disk can, it shares the blocks until one of the two changes.
    await copyFile(originalFile(photo), half, constants.COPYFILE_FICLONE);
    const { bytes, sha256 } = await hashOfFile(half);
    if (sha256 !== photo.hash) throw new ChangedPhoto(photo.hash);
    await rename(half, file);
    return bytes;
  } finally {
    await rm(half, { force: true });
  }
}

/** A photograph of the workshop that is not what it was when it was kept. */
class ChangedPhoto extends Error {
  constructor(readonly hash: string) {
    super(`The photograph ${hash} was changed on the disk.`);
  }
}

/**
 * Makes a backup in a folder: the database as it is at one instant, and every photograph that does not lie there already.
 * It has its place only once all of it was read back. What was changed on the disk counts as missing.
 *
 * @param seal what it is sealed for; `null` to let it lie open
 */
export function backupInto(folder: string, seal: Seal | null, day: string, now: Date): Promise<GoodCopy> {
  return withCopy(async ({ file, contents }) => {
    const recipient = seal?.recipient ?? null;
    const id = `${now.toISOString().slice(0, 19).replaceAll(':', '')}Z-${randomUUID().slice(0, 4)}`;
    const half = inFolder(folder, 'copies', `${id}.part`);
    await mkdir(half, { recursive: true, mode: 0o700 });
    await mkdir(inFolder(folder, photosOf(recipient)), { recursive: true, mode: 0o700 });
    if (seal) {
      await mkdir(inFolder(folder, 'keys'), { recursive: true, mode: 0o700 });
      await writeFile(inFolder(folder, 'keys', `${keyName(seal.recipient)}.age`), Buffer.from(seal.locked, 'base64'), {
        mode: 0o600,
        flush: true,
      });
    }
    try {
      const changed = new Set<string>();
      const lain = await fewAtATime(contents.photos, (photo) =>
        putPhoto(folder, photo, recipient, day).catch((failure: unknown) => {
          if (!(failure instanceof ChangedPhoto)) throw failure;
          changed.add(failure.hash);
          return 0;
        }),
      );
      let bytes = lain.reduce((sum, one) => sum + one, 0);
      const whole: Contents = {
        ...contents,
        photos: contents.photos.filter(({ hash }) => !changed.has(hash)),
        missing: [...contents.missing, ...changed],
      };
      const plain = await hashOfFile(file);
      const end = sealedEnd(recipient);
      bytes += (await put(createReadStream(file), inFolder(half, `kvell.sqlite${end}`), recipient)).bytes;
      bytes += (
        await put(Readable.from(Buffer.from(JSON.stringify(whole))), inFolder(half, `contents.json${end}`), recipient)
      ).bytes;
      const head: BackupHead = {
        ...{ format: BACKUP_FORMAT, version: BACKUP_VERSION, at: now.toISOString(), day, recipient, bytes },
        database: plain,
      };
      await put(Readable.from(Buffer.from(JSON.stringify(head, null, 2))), inFolder(half, 'backup.json'), null);
      await rename(half, inFolder(folder, 'copies', id));
      return { id, at: head.at, bytes, mark: contents.mark };
    } finally {
      await rm(half, { recursive: true, force: true });
    }
  });
}

/** The backups of a folder, the newest first. One whose head cannot be read is none. */
export async function copiesIn(folder: string): Promise<KeptCopy[]> {
  const names = await readdir(inFolder(folder, 'copies')).catch(() => []);
  const read = await Promise.all(
    names
      .filter((name) => COPY_ID.test(name))
      .map(async (id) => {
        const json = await readFile(inFolder(folder, 'copies', id, 'backup.json')).catch(() => null);
        try {
          return [{ ...readHead(json), id }];
        } catch {
          return [];
        }
      }),
  );
  return read.flat().sort((a, b) => b.at.localeCompare(a.at));
}

/** The key that a recipient’s backups open with. @throws Refusal (`passphrase`) */
async function keyOf(folder: string, recipient: string, passphrase: string): Promise<string> {
  const locked = await readFile(inFolder(folder, 'keys', `${keyName(recipient)}.age`)).catch(() => {
    throw new Refusal(
      'file',
      `The key to this backup is not in ${inFolder(folder, 'keys')} any more. Use another backup.`,
    );
  });
  if (passphrase === '') throw new Refusal('passphrase', 'This backup is sealed. Type its passphrase.');
  return openLock(locked, passphrase);
}

/** A backup of the folder, opened. @throws Refusal for one that is not there, and a wrong passphrase */
export async function openCopy(folder: string, id: string, passphrase: string): Promise<BackupSource> {
  const copy = COPY_ID.test(id) ? inFolder(folder, 'copies', id) : null;
  const json = copy && (await readFile(inFolder(copy, 'backup.json')).catch(() => null));
  if (!copy || !json) throw new Refusal('id', 'This backup is not there any more. Choose another one.');
  const head = readHead(json);
  const { recipient } = head;
  const key = recipient === null ? null : await keyOf(folder, recipient, passphrase);
  const open = async (file: string): Promise<Readable> => {
    const sealed = `${file}${sealedEnd(recipient)}`;
    if (!(await stat(sealed).catch(() => null)))
      throw new Refusal('file', `${path.basename(sealed)} is missing from this backup. Use another one.`);
    return key === null ? createReadStream(sealed) : unsealBy(createReadStream(sealed), key);
  };
  const contents: Buffer[] = [];
  for await (const part of await open(inFolder(copy, 'contents.json'))) contents.push(part as Buffer);
  return {
    head,
    contents: readContents(Buffer.concat(contents)),
    database: () => open(inFolder(copy, 'kvell.sqlite')),
    photo: ({ hash, extension }) => open(inFolder(folder, photosOf(recipient), `${hash}.${extension}`)),
  };
}

/** Takes away what nothing asks to be kept: old backups, photographs that are in none, and what a crash left half written. */
export async function tidy(folder: string): Promise<number> {
  // Nobody else makes a backup here just now: what is half made was left by a crash.
  for (const place of ['copies', ...(await readdir(folder)).filter((name) => name.startsWith('photos'))])
    for (const name of await readdir(inFolder(folder, place)).catch(() => []))
      if (name.endsWith('.part') && !isBeingWritten(name))
        await rm(inFolder(folder, place, name), { recursive: true, force: true });
  const copies = await copiesIn(folder);
  const stay = copiesToKeep(copies);
  const gone = copies.filter(({ id }) => !stay.has(id));
  for (const { id } of gone) await rm(inFolder(folder, 'copies', id), { recursive: true, force: true });
  if (gone.length === 0) return 0;
  // Photographs of a sealed backup are listed under its seal: theirs go with the last backup of their key.
  const open = copies.filter(({ id, recipient }) => stay.has(id) && recipient === null);
  const spoken = new Set<string>();
  for (const { id } of open) {
    const opened = await openCopy(folder, id, '').catch((failure: unknown) => {
      if (failure instanceof Refusal) return null;
      throw failure;
    });
    // One that cannot be read may speak of any photograph: then none goes.
    if (!opened) return gone.length;
    for (const { hash } of opened.contents.photos) spoken.add(hash);
  }
  for (const name of await readdir(inFolder(folder, 'photos')).catch(() => []))
    if (/^[0-9a-f]{64}\./.test(name) && !spoken.has(name.slice(0, 64)))
      await rm(inFolder(folder, 'photos', name), { force: true });
  const keys = new Set(copies.flatMap(({ id, recipient }) => (stay.has(id) && recipient ? [keyName(recipient)] : [])));
  for (const name of await readdir(folder))
    if (name.startsWith('photos-') && !keys.has(name.slice('photos-'.length)))
      await rm(inFolder(folder, name), { recursive: true, force: true });
  return gone.length;
}
