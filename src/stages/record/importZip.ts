import { createHash, randomUUID } from 'node:crypto';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { BUNDLE_FORMAT, keepBundle, type Bundle } from '@/data/bundle';
import { inspectPicture, LARGEST_FILE_BYTES } from '@/data/photos/decode';
import { keepFile } from '@/data/photos/store';
import { bundleSchema } from './bundleSchema';
import { photoEntry } from './exportZip';
import { broughtForward } from './olderBundles';

/** Largest ZIP taken in, packed. */
export const LARGEST_ZIP_BYTES = 512 * 1024 * 1024;
const LARGEST_UNPACKED_BYTES = 1024 * 1024 * 1024;
const LARGEST_JSON_BYTES = 32 * 1024 * 1024;
const MOST_ENTRIES = 5000;

const KNOWN = /^(restoration\.json|schema\.json|log\.csv|measurements\.csv|photos\/[0-9a-f]{64}\.(jpg|png|webp))$/;

const refuse = (message: string) => new Refusal('file', message);

/** Opens a ZIP and hands its entries one by one to `take`, with an honest size limit on each. */
async function eachEntry(bytes: Buffer, take: (name: string, content: Buffer) => Promise<void>): Promise<void> {
  const zip = await new Promise<ZipFile>((resolve, reject) =>
    yauzl.fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true, strictFileNames: true }, (error, opened) =>
      error ? reject(error) : resolve(opened),
    ),
  ).catch(() => {
    throw refuse('This is not a ZIP file, or it broke off. Choose the file that Kvell’s record page exported.');
  });
  if (zip.entryCount > MOST_ENTRIES) throw refuse(`The ZIP holds ${zip.entryCount} files; a restoration has at most ${MOST_ENTRIES}.`);
  let unpacked = 0;
  await new Promise<void>((resolve, reject) => {
    zip.on('error', (error: Error) =>
      reject(
        refuse(
          /relative path|absolute path|invalid characters/.test(error.message)
            ? `The ZIP holds a path that leads out of it (${error.message}). It was not unpacked; use a file that Kvell exported.`
            : `The ZIP cannot be read (${error.message}). Export it again.`,
        ),
      ),
    );
    zip.on('end', resolve);
    zip.on('entry', (entry: Entry) => {
      void (async () => {
        if (!KNOWN.test(entry.fileName))
          throw refuse(
            `The ZIP holds “${entry.fileName.slice(0, 120)}”, which no exported restoration has. It was not unpacked; use a file that Kvell exported.`,
          );
        const limit = entry.fileName.startsWith('photos/') ? LARGEST_FILE_BYTES : LARGEST_JSON_BYTES;
        unpacked += entry.uncompressedSize;
        if (entry.uncompressedSize > limit || unpacked > LARGEST_UNPACKED_BYTES)
          throw refuse('The ZIP would unpack to far more than a restoration holds. It was not unpacked; use a file that Kvell exported.');
        await take(entry.fileName, await readEntry(zip, entry));
        zip.readEntry();
      })().catch((error: unknown) => {
        zip.close();
        reject(error instanceof Refusal ? error : refuse(`The ZIP cannot be read (${(error as Error).message}). Export it again.`));
      });
    });
    zip.readEntry();
  });
}

/** The library itself stops where an entry turns out longer than it said. */
async function readEntry(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const stream = await new Promise<NodeJS.ReadableStream>((resolve, reject) =>
    zip.openReadStream(entry, (error, opened) => (error ? reject(error) : resolve(opened))),
  );
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part as Buffer);
  return Buffer.concat(parts);
}

function readBundle(json: Buffer | undefined): Bundle {
  if (!json) throw refuse('The ZIP has no restoration.json. Choose the file that Kvell’s record page exported.');
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
  const { value, error } = bundleSchema.validate(broughtForward(given), { ...VALIDATE, convert: false });
  if (error) {
    const [first, ...rest] = fieldErrors(error);
    throw refuse(
      `restoration.json does not follow its schema: ${first!.field}: ${first!.message}${rest.length > 0 ? `, and ${rest.length} more` : ''}. Export it again.`,
    );
  }
  return value;
}

/** The same restoration under new ids. */
function asCopy(bundle: Bundle): Bundle {
  const stockIds = new Set(bundle.stock.map(({ id }) => id));
  const fresh = new Map<string, string>();
  const renew = (value: unknown): unknown => {
    if (typeof value === 'string') return fresh.get(value) ?? value;
    if (Array.isArray(value)) return value.map(renew);
    if (value !== null && typeof value === 'object') return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, renew(inner)]));
    return value;
  };
  const tables = [
    [bundle.restoration],
    bundle.stages,
    bundle.pieces,
    bundle.photos,
    bundle.measurements,
    bundle.findings,
    bundle.treatments,
    bundle.sessions,
    bundle.removalSteps,
    bundle.lots,
    bundle.connections,
    bundle.blocks,
    bundle.functionTests,
    bundle.requests,
    bundle.sinkSteps,
    bundle.looksAgain,
    bundle.ledger,
  ];
  for (const { id } of tables.flat()) if (!stockIds.has(id)) fresh.set(id, randomUUID());
  const copy = renew(bundle) as Bundle;
  return { ...copy, restoration: { ...copy.restoration, title: `${copy.restoration.title} (copy)` } };
}

/**
 * Takes a restoration back in from its ZIP: everything is checked before anything is kept.
 *
 * @returns id of the restoration
 * @throws Refusal with what is wrong
 */
export async function importZip(bytes: Buffer, copy: boolean, now: Date): Promise<string> {
  let json: Buffer | undefined;
  const photos = new Map<string, Buffer>();
  await eachEntry(bytes, async (name, content) => {
    if (name === 'restoration.json') json = content;
    else if (name.startsWith('photos/')) photos.set(name, content);
  });
  const given = readBundle(json);
  for (const photo of given.photos) {
    const content = photos.get(photoEntry(photo));
    if (!content) throw refuse(`The photograph ${photo.originalName} is missing from the ZIP. Export it again.`);
    if (createHash('sha256').update(content).digest('hex') !== photo.hash)
      throw refuse(`The photograph ${photo.originalName} was changed after the export. Export it again.`);
    const facts = await inspectPicture(content);
    if (facts.mime !== photo.mime || facts.extension !== photo.extension)
      throw refuse(`The photograph ${photo.originalName} is not of the type that the ZIP says. Export it again.`);
    Object.assign(photo, facts, { bytes: content.byteLength });
  }
  const bundle = copy ? asCopy(given) : given;
  // Files first: a row never names a file that is not there.
  for (const photo of given.photos) await keepFile(photos.get(photoEntry(photo))!, photo.extension);
  await keepBundle(bundle, now);
  return bundle.restoration.id;
}
