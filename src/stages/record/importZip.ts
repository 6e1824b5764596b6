import { randomUUID } from 'node:crypto';
import { stat } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { setImmediate as turn } from 'node:timers/promises';
import Joi from 'joi';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { BUNDLE_FORMAT, BUNDLE_PARTS, type Bundle } from '@/data/bundle';
import { keepBundle, needsNew } from '@/work/bringIn';
import { inspectPicture, LARGEST_FILE_BYTES } from '@/data/photos/decode';
import { isAgainstRules } from '@/data/relations';
import { withIncoming } from '@/data/incoming';
import { withFiles, type ToKeep } from '@/data/photos/store';
import type { Photo } from '@/data/rows';
import { MOST } from '@/core/limits';
import { bundleSchema, MOST_ROWS } from './bundleSchema';
import { photoEntry } from './exportZip';
import { broughtForward } from './olderBundles';
import { unsound } from './unsound';

/** Largest ZIP taken in: it is read from the disk, never whole in memory. */
export const LARGEST_ZIP_BYTES = 32 * 1024 ** 3;
/** Largest `restoration.json`: some hundred thousand entries of a log. */
const LARGEST_JSON_BYTES = 64 * 1024 ** 2;
/** Photographs are packed as they are; whatever would unpack to more than this beside the ZIP itself is none of ours. */
const UNPACKED_BESIDE_BYTES = 2 * LARGEST_JSON_BYTES;
const MOST_ENTRIES = 200_000;

const KNOWN =
  /^(restoration\.json|schema\.json|log\.csv|measurements\.csv|missing\.csv|photos\/[0-9a-f]{64}\.(jpg|png|webp))$/;

const refuse = (message: string) => new Refusal('file', message);

/** What opens and walks a ZIP says of it, in words. */
const unreadable = (error: Error) =>
  refuse(
    /relative path|absolute path|invalid characters/.test(error.message)
      ? `The ZIP holds a path that leads out of it (${error.message}). It was not unpacked; use a file that Kvell exported.`
      : `The ZIP cannot be read (${error.message}). Export it again.`,
  );

interface Opened {
  zip: ZipFile;
  /** What lies in it by name; read when it is asked for. */
  entries: Map<string, Entry>;
}

/** Opens a ZIP and lists what is in it, without reading any of that yet. */
async function openZip(file: string): Promise<Opened> {
  const { size } = await stat(file);
  const zip = await new Promise<ZipFile>((resolve, reject) =>
    yauzl.open(
      file,
      { lazyEntries: true, autoClose: false, validateEntrySizes: true, strictFileNames: true },
      (error, opened) => (error ? reject(error) : resolve(opened)),
    ),
  ).catch(() => {
    throw refuse('This is not a ZIP file, or it broke off. Choose the file that Kvell’s record page exported.');
  });
  const entries = new Map<string, Entry>();
  let unpacked = 0;
  const known = ({ fileName, uncompressedSize }: Entry): Refusal | null => {
    if (!KNOWN.test(fileName))
      return refuse(
        `The ZIP holds “${fileName.slice(0, 120)}”, which no exported restoration has. It was not unpacked; use a file that Kvell exported.`,
      );
    if (entries.has(fileName))
      return refuse(`The ZIP holds “${fileName}” twice. It was not unpacked; use a file that Kvell exported.`);
    unpacked += uncompressedSize;
    const limit = fileName.startsWith('photos/') ? LARGEST_FILE_BYTES : LARGEST_JSON_BYTES;
    return uncompressedSize > limit || unpacked > size + UNPACKED_BESIDE_BYTES
      ? refuse(
          'The ZIP would unpack to far more than a restoration holds. It was not unpacked; use a file that Kvell exported.',
        )
      : null;
  };
  try {
    if (zip.entryCount > MOST_ENTRIES)
      throw refuse(`The ZIP holds ${zip.entryCount} files; a restoration has at most ${MOST_ENTRIES}.`);
    await new Promise<void>((resolve, reject) => {
      zip.on('error', (error: Error) => reject(unreadable(error)));
      zip.on('end', resolve);
      zip.on('entry', (entry: Entry) => {
        const wrong = known(entry);
        if (wrong) return reject(wrong);
        entries.set(entry.fileName, entry);
        zip.readEntry();
      });
      zip.readEntry();
    });
    return { zip, entries };
  } catch (failure) {
    zip.close();
    throw failure;
  }
}

/** What an entry unpacks to; the library itself stops where it turns out longer than it said. `null` where there is none. */
async function entryStream({ zip, entries }: Opened, name: string): Promise<Readable | null> {
  const entry = entries.get(name);
  if (!entry) return null;
  return new Promise<Readable>((resolve, reject) =>
    zip.openReadStream(entry, (error, opened) => (error ? reject(unreadable(error)) : resolve(opened))),
  );
}

/** An entry as a whole: only for what is small. */
async function readEntry(opened: Opened, name: string): Promise<Buffer | null> {
  const stream = await entryStream(opened, name);
  return (
    stream &&
    buffer(stream).catch((failure: Error) => {
      throw unreadable(failure);
    })
  );
}

/** So many rows are held against their schema before others get their turn. */
const ROWS_AT_ONCE = 400;

/** @throws Refusal with what does not follow the schema */
function needsShape<T>(schema: Joi.Schema<T>, given: unknown, firstRow = 0): T {
  const { value, error } = schema.validate(given, { ...VALIDATE, convert: false });
  if (!error) return value as T;
  const [first, ...rest] = fieldErrors(error);
  const numbered = (words: string) =>
    words.replaceAll(/^(\w+)\[(\d+)\]/g, (_, name: string, row: string) => `${name}[${Number(row) + firstRow}]`);
  throw refuse(
    `restoration.json does not follow its schema: ${numbered(first!.field)}: ${numbered(first!.message)}${rest.length > 0 ? `, and ${rest.length} more` : ''}. Export it again.`,
  );
}

/** A bundle that follows its schema: its many rows are looked at some at a time, so that nobody waits for all of them. */
async function inShape(given: Bundle): Promise<Bundle> {
  const lists = Object.entries(given).filter(([, rows]) => Array.isArray(rows) && rows.length > ROWS_AT_ONCE) as [
    keyof Bundle,
    unknown[],
  ][];
  const value = needsShape(bundleSchema, { ...given, ...Object.fromEntries(lists.map(([name]) => [name, []])) });
  for (const [name, rows] of lists) {
    if (rows.length > MOST_ROWS)
      throw refuse(`restoration.json has ${rows.length} rows of ${name}; a restoration has at most ${MOST_ROWS}.`);
    const schema = Joi.object<Record<string, unknown[]>>({ [name]: bundleSchema.extract(name) });
    const kept: unknown[] = [];
    for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) {
      kept.push(...needsShape(schema, { [name]: rows.slice(i, i + ROWS_AT_ONCE) }, i)[name]!);
      await turn();
    }
    Object.assign(value, { [name]: kept });
  }
  return value;
}

/** A bundle out of its JSON. @throws Refusal (`file`) for what is none, follows no schema, or does not hang together */
export async function readBundle(json: Buffer | null): Promise<Bundle> {
  if (!json) throw refuse('The ZIP has no restoration.json. Choose the file that Kvell’s record page exported.');
  // The database would end what it is told at that sign.
  if (json.includes('\\u0000'))
    throw refuse('restoration.json holds a character that text cannot have (\\u0000). Take it out; nothing was kept.');
  let given: unknown;
  try {
    given = JSON.parse(json.toString('utf8'));
  } catch {
    throw refuse('restoration.json in the ZIP is not JSON. Export it again.');
  }
  const format = (given as { format?: unknown } | null)?.format;
  if (format !== BUNDLE_FORMAT)
    throw refuse(
      `restoration.json is not a restoration of Kvell (its format is “${String(format).slice(0, 60)}”). Choose the file that Kvell’s record page exported.`,
    );
  const value = await inShape(broughtForward(given) as Bundle);
  const wrong = unsound(value);
  if (wrong.length > 0)
    throw refuse(`restoration.json does not hang together: ${wrong.join('; ')}. Nothing was kept; export it again.`);
  return value;
}

/** What a copy is known by. */
const COPY = ' (copy)';

/** The same restoration under new ids. */
function asCopy(bundle: Bundle): Bundle {
  const stockIds = new Set(bundle.stock.map(({ id }) => id));
  const fresh = new Map<string, string>();
  const renew = (value: unknown): unknown => {
    if (typeof value === 'string') return fresh.get(value) ?? value;
    if (Array.isArray(value)) return value.map(renew);
    if (value !== null && typeof value === 'object')
      return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, renew(inner)]));
    return value;
  };
  const rows: { id: string }[] = [
    bundle.restoration,
    ...BUNDLE_PARTS.flatMap((part): { id: string }[] => bundle[part]),
  ];
  for (const { id } of rows) if (!stockIds.has(id)) fresh.set(id, randomUUID());
  const copy = renew(bundle) as Bundle;
  const title = `${copy.restoration.title.slice(0, MOST.title - COPY.length)}${COPY}`;
  return { ...copy, restoration: { ...copy.restoration, title } };
}

/** One photograph out of a ZIP, kept where it is what it says; its row gets what its bytes are. */
async function keepPicture(
  opened: Opened,
  photo: Photo,
  keep: (what: ToKeep, extension: string) => Promise<string>,
): Promise<void> {
  const content = await entryStream(opened, photoEntry(photo));
  if (!content) throw refuse(`The photograph ${photo.originalName} is missing from the ZIP. Export it again.`);
  let broken: Error | null = null;
  content.once('error', (failure: Error) => (broken = failure));
  await withIncoming(content, LARGEST_FILE_BYTES, async (laid) => {
    if (laid.hash !== photo.hash)
      throw refuse(`The photograph ${photo.originalName} was changed after the export. Export it again.`);
    const facts = await inspectPicture(laid.file);
    if (facts.mime !== photo.mime || facts.extension !== photo.extension)
      throw refuse(`The photograph ${photo.originalName} is not of the type that the ZIP says. Export it again.`);
    Object.assign(photo, facts, { bytes: laid.bytes });
    await keep(laid, photo.extension);
  }).catch((failure: unknown) => {
    throw broken ? unreadable(broken) : failure;
  });
}

/**
 * Takes a restoration back in from its ZIP, whole or not at all: files first, one after the other, then all rows as one.
 *
 * @param file where the ZIP lies
 * @returns id of the restoration
 * @throws Refusal with what is wrong
 */
export async function importZip(file: string, copy: boolean, now: Date): Promise<string> {
  const opened = await openZip(file);
  try {
    const given = await readBundle(await readEntry(opened, 'restoration.json'));
    if (!copy) await needsNew(given.restoration);
    const missing = new Set(given.missing);
    return await withFiles(async (keep) => {
      for (const photo of given.photos) if (!missing.has(photo.hash)) await keepPicture(opened, photo, keep);
      const bundle = copy ? asCopy(given) : given;
      await keepBundle(bundle, now).catch((failure: unknown) => {
        // What only the database knows of: two of what there is one of, or half of what goes together.
        throw isAgainstRules(failure)
          ? refuse(
              'restoration.json does not hang together: the database refuses a row of it. Nothing was kept; export it again.',
            )
          : failure;
      });
      return bundle.restoration.id;
    });
  } finally {
    opened.zip.close();
  }
}
