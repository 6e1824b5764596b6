import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { evened } from '@/core/picture/flatField';
import { measurePicture } from '@/core/picture/measure';
import { measureSpecSchema } from '@/core/picture/spec';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE, type FieldError } from '@/core/sums/fieldErrors';
import { decodePicture, inspectPicture } from '@/data/photos/decode';
import { warningWords } from '@/measuring/warningWords';
import { eachLine, wrongLine } from './lines';

/** @throws where the file cannot be read, or Refusal where it is no picture */
async function pictureOf(file: string) {
  const bytes = await readFile(file);
  await inspectPicture(bytes);
  return decodePicture(bytes);
}

/** What a photograph measures, or what is wrong with it or its spec. `folder`: where the files of the spec lie. */
async function measured(photo: string, spec: unknown, folder: string): Promise<object | { errors: FieldError[] }> {
  const { value, error } = measureSpecSchema.validate(spec, VALIDATE);
  if (error) return { errors: fieldErrors(error) };
  try {
    const picture = await pictureOf(photo);
    const flat = value.flatField === undefined ? null : await pictureOf(path.resolve(folder, value.flatField));
    const { result } = measurePicture(flat ? evened(picture, flat) : picture, value);
    return { ...result, warnings: result.warnings.map(warningWords) };
  } catch (failure) {
    if (failure instanceof Refusal) return wrongLine(failure.message, failure.field);
    if ((failure as NodeJS.ErrnoException).code === 'ENOENT') return wrongLine((failure as Error).message, 'photo');
    throw failure;
  }
}

const asText = (value: unknown): string => (typeof value === 'string' ? value : '');

/** One line of `--lines`: a photograph with its spec, or with the file that holds it. */
async function measuredLine(given: unknown): Promise<object> {
  const { photo, spec } = (given ?? {}) as { photo?: unknown; spec?: unknown };
  if (asText(photo) === '' || spec === undefined)
    return wrongLine(
      'Give a photograph and a spec: {"photo":"photo.jpg","spec":{…}} or {"photo":…,"spec":"spec.json"}',
    );
  if (typeof spec !== 'string') return measured(asText(photo), spec, process.cwd());
  try {
    return await measured(asText(photo), JSON.parse(await readFile(spec, 'utf8')), path.dirname(spec));
  } catch (failure) {
    if (failure instanceof SyntaxError || (failure as NodeJS.ErrnoException).code === 'ENOENT')
      return wrongLine((failure as Error).message, 'spec');
    throw failure;
  }
}

/**
 * `npm run -s measure -- photo.jpg spec.json`: measures a photograph and prints the result as JSON. `--lines` reads
 * one `{"photo","spec"}` a line from standard input and prints one result a line, or `{"errors":[…]}`.
 */
async function main(): Promise<number> {
  const [photo, spec] = process.argv.slice(2);
  if (photo === '--lines') return eachLine(measuredLine);
  if (!photo || !spec) return fail('Give a photograph and a spec: npm run -s measure -- photo.jpg spec.json');
  const answered = await measuredLine({ photo, spec });
  if ('errors' in answered)
    return fail(
      (answered.errors as FieldError[])
        .map(({ field, message }) => (field ? `${field}: ${message}` : message))
        .join('\n'),
    );
  process.stdout.write(`${JSON.stringify(answered)}\n`);
  return 0;
}

function fail(message: string): number {
  process.stderr.write(`${message}\n`);
  return 1;
}

process.exitCode = await main();
