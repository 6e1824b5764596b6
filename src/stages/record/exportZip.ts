import type { Readable } from 'node:stream';
import yazl from 'yazl';
import type { Bundle } from '@/data/bundle';
import { originalFile, withoutFile } from '@/data/photos/store';
import type { Photo } from '@/data/rows';
import { BUNDLE_JSON_SCHEMA } from './jsonSchema';
import { toCsv } from '@/edge/csv';

/** Where a photograph lies in the ZIP. */
export const photoEntry = ({ hash, extension }: { hash: string; extension: string }) => `photos/${hash}.${extension}`;

/** The log as CSV. */
export function logCsv({ log }: Bundle): string {
  return toCsv(
    log.map(({ id, at, stage, kind, words, corrects }) => ({
      entry: id,
      at,
      stage: stage ?? '',
      kind,
      words,
      corrects: corrects ?? '',
    })),
  );
}

/** The measurements as CSV, units in the names. */
export function measurementsCsv({ measurements, pieces }: Bundle): string {
  return toCsv(
    measurements.map(
      ({ pieceId, measuredAt, stage, lab, yellownessIndex, deltaE00, deltaB, verdict, basis, result }) => ({
        tag: pieces.find(({ id }) => id === pieceId)?.tag ?? '',
        measuredAt,
        stage,
        L: lab?.[0] ?? '',
        a: lab?.[1] ?? '',
        b: lab?.[2] ?? '',
        yellownessIndex: yellownessIndex ?? '',
        deltaE00: deltaE00 ?? '',
        deltaB: deltaB ?? '',
        residualDeltaE00: result.card.residualDeltaE00 ?? '',
        verdict: verdict ?? '',
        basis,
      }),
    ),
  );
}

/** Photographs whose file is gone, as CSV. */
const missingCsv = (photos: readonly Photo[]) =>
  toCsv(
    photos.map(({ originalName, stage, takenAt, addedAt, hash }) => ({
      originalName,
      stage,
      takenAt: takenAt ?? '',
      addedAt,
      hash,
    })),
  );

/**
 * JSON with its schema, the photographs byte for byte, and CSV of log and measurements, packed as it is read. Where the
 * file of a photograph is gone, the rest goes out, and what is missing is named.
 */
export async function exportZip(bundle: Bundle): Promise<Readable> {
  const missing = await withoutFile(bundle.photos);
  const zip = new yazl.ZipFile();
  const options = { mtime: new Date(bundle.restoration.openedAt) };
  const add = (name: string, content: string) => zip.addBuffer(Buffer.from(content), name, options);
  add('restoration.json', JSON.stringify({ ...bundle, missing: [...new Set(missing.map(({ hash }) => hash))] }));
  add('schema.json', JSON.stringify(BUNDLE_JSON_SCHEMA, null, 2));
  add('log.csv', logCsv(bundle));
  add('measurements.csv', measurementsCsv(bundle));
  if (missing.length > 0) add('missing.csv', missingCsv(missing));
  const gone = new Set(missing.map(({ id }) => id));
  const files = new Map(
    bundle.photos.flatMap((photo) => (gone.has(photo.id) ? [] : [[photoEntry(photo), originalFile(photo)] as const])),
  );
  // Photographs are packed already; packing them again only takes time.
  for (const [name, file] of files) zip.addFile(file, name, { ...options, compress: false });
  zip.end();
  const packed = zip.outputStream as Readable;
  // A file that goes while it is read ends the answer: what is saved by then cannot be opened, and says so.
  zip.on('error', (failure: Error) => packed.destroy(failure));
  return packed;
}
