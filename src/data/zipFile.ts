import { stat } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { Refusal } from '@/core/refusal';

/** What a ZIP of one kind may hold, and how it is called where it holds something else. */
export interface ZipRules {
  /** Names that it may hold; any other refuses the whole. */
  known: RegExp;
  mostEntries: number;
  /** Photographs are packed as they are; whatever unpacks to more than this beside the ZIP itself is none of ours. */
  besideBytes: number;
  /** Most bytes that an entry may unpack to, by its name. */
  limitOf: (name: string) => number;
  /** As in “… has at most”. */
  what: string;
  /** As in “which … has”. */
  none: string;
  /** As in “use …”. */
  from: string;
  again: string;
}

const refuse = (message: string) => new Refusal('file', message);

/** What opens and walks a ZIP says of it, in words. */
export const unreadable = (error: Error): Refusal =>
  refuse(
    /relative path|absolute path|invalid characters/.test(error.message)
      ? `The ZIP holds a path that leads out of it (${error.message}). It was not unpacked; use a file that Kvell exported.`
      : `The ZIP cannot be read (${error.message}). Export it again.`,
  );

export interface OpenedZip {
  zip: ZipFile;
  /** What lies in it by name; read when it is asked for. */
  entries: Map<string, Entry>;
}

/**
 * Opens a ZIP and lists what is in it, without reading any of that yet.
 *
 * @throws Refusal (`file`) for what is no ZIP, holds what it may not, or would unpack to too much
 */
export async function openZip(file: string, rules: ZipRules): Promise<OpenedZip> {
  const { known, mostEntries, besideBytes, limitOf, what, none, from, again } = rules;
  const { size } = await stat(file);
  const zip = await new Promise<ZipFile>((resolve, reject) =>
    yauzl.open(
      file,
      { lazyEntries: true, autoClose: false, validateEntrySizes: true, strictFileNames: true },
      (error, opened) => (error ? reject(error) : resolve(opened)),
    ),
  ).catch(() => {
    throw refuse(`This is not a ZIP file, or it broke off. ${again}`);
  });
  const entries = new Map<string, Entry>();
  let unpacked = 0;
  const wrongOf = ({ fileName, uncompressedSize }: Entry): Refusal | null => {
    if (!known.test(fileName))
      return refuse(`The ZIP holds “${fileName.slice(0, 120)}”, which ${none} has. It was not unpacked; use ${from}.`);
    if (entries.has(fileName)) return refuse(`The ZIP holds “${fileName}” twice. It was not unpacked; use ${from}.`);
    unpacked += uncompressedSize;
    return uncompressedSize > limitOf(fileName) || unpacked > size + besideBytes
      ? refuse(`The ZIP would unpack to far more than ${what} holds. It was not unpacked; use ${from}.`)
      : null;
  };
  try {
    if (zip.entryCount > mostEntries)
      throw refuse(`The ZIP holds ${zip.entryCount} files; ${what} has at most ${mostEntries}.`);
    await new Promise<void>((resolve, reject) => {
      zip.on('error', (error: Error) => reject(unreadable(error)));
      zip.on('end', resolve);
      zip.on('entry', (entry: Entry) => {
        const wrong = wrongOf(entry);
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
export async function entryStream({ zip, entries }: OpenedZip, name: string): Promise<Readable | null> {
  const entry = entries.get(name);
  if (!entry) return null;
  return new Promise<Readable>((resolve, reject) =>
    zip.openReadStream(entry, (error, opened) => (error ? reject(unreadable(error)) : resolve(opened))),
  );
}

/** An entry as a whole: only for what is small. */
export async function readEntry(opened: OpenedZip, name: string): Promise<Buffer | null> {
  const stream = await entryStream(opened, name);
  return (
    stream &&
    buffer(stream).catch((failure: Error) => {
      throw unreadable(failure);
    })
  );
}
