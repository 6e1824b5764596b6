import { buffer } from 'node:stream/consumers';
import yazl from 'yazl';
import type { Bundle } from '@/data/bundle';
import { readOriginal } from '@/data/photos/store';
import { bundleJsonSchema } from './jsonSchema';
import { toCsv } from '@/edge/csv';

/** Where a photograph lies in the ZIP. */
export const photoEntry = ({ hash, extension }: { hash: string; extension: string }) => `photos/${hash}.${extension}`;

/** The log as CSV. */
export function logCsv({ log }: Bundle): string {
  return toCsv(log.map(({ id, at, stage, kind, words, corrects }) => ({ entry: id, at, stage: stage ?? '', kind, words, corrects: corrects ?? '' })));
}

/** The measurements as CSV, units in the names. */
export function measurementsCsv({ measurements, pieces }: Bundle): string {
  return toCsv(
    measurements.map(({ pieceId, measuredAt, stage, lab, yellownessIndex, deltaE00, deltaB, verdict, basis, result }) => ({
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
    })),
  );
}

/** JSON with its schema, the photographs byte for byte, and CSV of log and measurements. */
export async function exportZip(bundle: Bundle): Promise<Buffer> {
  const zip = new yazl.ZipFile();
  const add = (name: string, content: string | Buffer) => zip.addBuffer(Buffer.from(content), name, { mtime: new Date(bundle.restoration.openedAt) });
  add('restoration.json', JSON.stringify(bundle, null, 2));
  add('schema.json', JSON.stringify(bundleJsonSchema(), null, 2));
  add('log.csv', logCsv(bundle));
  add('measurements.csv', measurementsCsv(bundle));
  const done = new Set<string>();
  for (const photo of bundle.photos) {
    if (done.has(photo.hash)) continue;
    done.add(photo.hash);
    // Photographs are packed already; packing them again only takes time.
    zip.addBuffer(await readOriginal(photo), photoEntry(photo), { compress: false });
  }
  zip.end();
  return buffer(zip.outputStream);
}
