import { dataFolder } from '../folder';
import { isThere } from '../isThere';
import type { Photo } from '../rows';
import { countRows, findRow, findRows, select } from '../table';
import { isTakenPhoto } from '../takenBack';
import { LARGEST_PIXELS, pixelsOf } from './decode';
import { decoding } from './queue';
import { type Spoken, removeUnspoken } from './sweep';
import type { Share } from '@/core/picture/picture';
import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';

/** Sides of the small pictures, pixels. */
export const THUMBNAIL_PX = { small: 320, large: 1280 } as const;

export type ThumbnailSize = keyof typeof THUMBNAIL_PX;

const originalPath = (hash: string, extension: string) =>
  path.join(dataFolder(), 'photos', hash.slice(0, 2), `${hash}.${extension}`);

const thumbnailFile = ({ hash }: Pick<Photo, 'hash'>, size: ThumbnailSize) =>
  path.join(dataFolder(), 'thumbnails', size, `${hash}.webp`);

/** Where the original of a photograph lies. */
export const originalFile = ({ hash, extension }: Pick<Photo, 'hash' | 'extension'>): string =>
  originalPath(hash, extension);

/** Those of some photographs whose file is gone. */
export async function withoutFile(photos: readonly Photo[]): Promise<Photo[]> {
  const there = await Promise.all(photos.map((photo) => isThere(originalFile(photo))));
  return photos.filter((_, i) => !there[i]);
}

/** By what the file of a photograph is found. */
export type PhotoFile = Pick<Photo, 'hash' | 'extension'>;

/** Takes files of photographs away that went, and what was made of them; one that some other row speaks of stays. */
export async function letFilesGo(files: readonly PhotoFile[]): Promise<void> {
  for (const photo of files) {
    const file = originalFile(photo);
    await removeUnspoken(dataFolder(), file, isSpoken);
    if (await isThere(file)) continue;
    for (const size of Object.keys(THUMBNAIL_PX) as ThumbnailSize[])
      await rm(thumbnailFile(photo, size), { force: true });
  }
}

/** Writes a file whole or not at all. */
async function writeWhole(file: string, bytes: Buffer): Promise<void> {
  await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
  const half = `${file}.${process.pid}.${randomUUID()}.part`;
  await writeFile(half, bytes, { mode: 0o600, flush: true });
  await rename(half, file);
}

const isSpoken: Spoken = async (hash) => (await countRows('photos', { hash })) > 0 || isTakenPhoto(hash);

/** A file that was kept, until what is written about it stands. */
interface KeptFile {
  hash: string;
  /** Its row stands. */
  settle: () => Promise<void>;
  /** Nothing was written about it: it goes again, unless a row has it or somebody else is keeping it too. */
  drop: () => Promise<void>;
}

/** What is to be kept: bytes in memory, or a file of this hash on the same disk, which goes to its place. */
export type ToKeep = Buffer | { file: string; hash: string };

const hashOf = (what: ToKeep) => (Buffer.isBuffer(what) ? createHash('sha256').update(what).digest('hex') : what.hash);

/**
 * Keeps the original untouched under its SHA-256, before its row is written. A mark lies beside it until it is settled,
 * so that a crash in between leaves no file that nothing speaks of: the next start clears it away.
 */
async function keepFile(what: ToKeep, extension: string): Promise<KeptFile> {
  const hash = hashOf(what);
  const file = originalPath(hash, extension);
  await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
  const mark = `${file}.${process.pid}.${randomUUID()}.part`;
  await writeFile(mark, '', { mode: 0o600 });
  const settle = () => rm(mark, { force: true });
  const drop = async () => {
    await settle();
    await removeUnspoken(dataFolder(), file, isSpoken);
  };
  try {
    if (!(await isThere(file))) await (Buffer.isBuffer(what) ? writeWhole(file, what) : rename(what.file, file));
  } catch (failure) {
    await drop();
    throw failure;
  }
  return { hash, settle, drop };
}

/** Keeps files, writes what there is to write about them, and lets them go again where that is refused. */
export async function withFiles<T>(
  work: (keep: (what: ToKeep, extension: string) => Promise<string>) => Promise<T>,
): Promise<T> {
  const kept: KeptFile[] = [];
  const each = (what: 'settle' | 'drop') => Promise.all(kept.map((file) => file[what]()));
  try {
    const done = await work(async (what, extension) => {
      const file = await keepFile(what, extension);
      kept.push(file);
      return file.hash;
    });
    await each('settle');
    return done;
  } catch (failure) {
    await each('drop');
    throw failure;
  }
}

export const photosOf = (restorationId: string): Promise<Photo[]> =>
  findRows('photos', { restorationId }, [['addedAt', 'ASC']]);

/** The newest photograph of each restoration that has one, by restoration. */
export async function newestPhotos(restorationIds: string[]): Promise<Map<string, string>> {
  const found = await select<{ id: string; restorationId: string }>(
    // SQLite takes the other columns from the row that holds the greatest.
    `SELECT id, restorationId, MAX(addedAt) FROM photos WHERE restorationId IN (:restorationIds) GROUP BY restorationId`,
    { restorationIds: restorationIds.length > 0 ? restorationIds : [''] },
  );
  return new Map(found.map(({ id, restorationId }) => [restorationId, id]));
}

export const findPhoto = (id: string): Promise<Photo | null> => findRow('photos', id);

/** The original as it was sent. */
export const readOriginal = ({ hash, extension }: Pick<Photo, 'hash' | 'extension'>): Promise<Buffer> =>
  readFile(originalPath(hash, extension));

/** A small upright picture, made once and kept. */
export async function readThumbnail(photo: Pick<Photo, 'hash' | 'extension'>, size: ThumbnailSize): Promise<Buffer> {
  const file = thumbnailFile(photo, size);
  if (await isThere(file)) return readFile(file);
  const side = THUMBNAIL_PX[size];
  const original = originalFile(photo);
  if (!(await isThere(original)))
    throw Object.assign(new Error(`The original of this photograph is missing: ${original}`), { code: 'ENOENT' });
  const small = await decoding(await pixelsOf(original), () =>
    sharp(original, { limitInputPixels: LARGEST_PIXELS })
      .autoOrient()
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 82 })
      .toBuffer(),
  );
  await writeWhole(file, small);
  return small;
}

/** A photograph for paper, upright, with numbered pins drawn onto it. JPEG: what a PDF takes. */
export async function readForPaper(
  photo: Pick<Photo, 'hash' | 'extension' | 'width' | 'height'>,
  pins: readonly Share[],
): Promise<Buffer> {
  const side = 900;
  const scale = Math.min(1, side / Math.max(photo.width, photo.height));
  const [width, height] = [Math.round(photo.width * scale), Math.round(photo.height * scale)];
  const marks = pins.map(
    ({ x, y }, i) =>
      `<circle cx="${x * width}" cy="${y * height}" r="22" fill="#f0b13c" stroke="#2c1d00" stroke-width="3"/><text x="${x * width}" y="${y * height + 9}" font-size="26" font-weight="bold" font-family="sans-serif" text-anchor="middle" fill="#2c1d00">${i + 1}</text>`,
  );
  const drawn = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${marks.join('')}</svg>`,
  );
  return decoding(photo.width * photo.height, () =>
    sharp(originalFile(photo), { limitInputPixels: LARGEST_PIXELS })
      .autoOrient()
      .resize({ width, height, fit: 'fill' })
      .composite([{ input: drawn }])
      .jpeg({ quality: 82 })
      .toBuffer(),
  );
}
