import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { evened } from '@/core/picture/flatField';
import { measurePicture } from '@/core/picture/measure';
import { measureSpecSchema } from '@/core/picture/spec';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { warningWords } from '@/measuring/warningWords';
import { decodePicture, inspectPicture } from '@/data/photos/decode';

/** `npm run -s measure -- photo.jpg spec.json`: measures a photograph and prints the result as JSON. */
async function main(): Promise<number> {
  const [photo, specFile] = process.argv.slice(2);
  if (!photo || !specFile) return fail('Give a photograph and a spec: npm run -s measure -- photo.jpg spec.json');
  const spec: unknown = JSON.parse(await readFile(specFile, 'utf8'));
  const { value, error } = measureSpecSchema.validate(spec, VALIDATE);
  if (error)
    return fail(
      fieldErrors(error)
        .map(({ field, message }) => `${field}: ${message}`)
        .join('\n'),
    );
  const bytes = await readFile(photo);
  await inspectPicture(bytes);
  const picture = await decodePicture(bytes);
  const flat =
    value.flatField === undefined ? null : await readFile(path.resolve(path.dirname(specFile), value.flatField));
  if (flat) await inspectPicture(flat);
  const { result } = measurePicture(flat ? evened(picture, await decodePicture(flat)) : picture, value);
  process.stdout.write(`${JSON.stringify({ ...result, warnings: result.warnings.map(warningWords) })}\n`);
  return 0;
}

function fail(message: string): number {
  process.stderr.write(`${message}\n`);
  return 1;
}

try {
  process.exitCode = await main();
} catch (error) {
  if (!(error instanceof Refusal || error instanceof SyntaxError || (error as NodeJS.ErrnoException).code === 'ENOENT'))
    throw error;
  process.exitCode = fail(error instanceof Refusal ? `${error.field}: ${error.message}` : (error as Error).message);
}
