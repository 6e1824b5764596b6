import { randomUUID } from 'node:crypto';
import { setImmediate as turn } from 'node:timers/promises';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { BUNDLE_FORMAT, BUNDLE_PARTS, type Bundle } from '@/data/bundle';
import { keepBundle, needsNew } from '@/work/bringIn';
import { inspectPicture, LARGEST_FILE_BYTES } from '@/data/photos/decode';
import { isAgainstRules } from '@/data/relations';
import { withIncoming } from '@/data/incoming';
import { entryStream, openZip, readEntry, unreadable, type OpenedZip, type ZipRules } from '@/data/zipFile';
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

const RULES: ZipRules = {
  known: KNOWN,
  mostEntries: MOST_ENTRIES,
  besideBytes: UNPACKED_BESIDE_BYTES,
  limitOf: (name) => (name.startsWith('photos/') ? LARGEST_FILE_BYTES : LARGEST_JSON_BYTES),
  what: 'a restoration',
  none: 'no exported restoration',
  from: 'a file that Kvell exported',
  again: 'Choose the file that Kvell’s record page exported.',
};

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
  opened: OpenedZip,
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
  const opened = await openZip(file, RULES);
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
