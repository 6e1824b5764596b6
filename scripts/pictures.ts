import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type Joi from 'joi';
import type { Picture } from '@/core/picture/picture';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE, type FieldError } from '@/core/sums/fieldErrors';
import { decodePicture, inspectPicture } from '@/data/photos/decode';
import { eachLine, wrongLine } from './lines';

/** @throws where the file cannot be read, or Refusal where it is no picture */
export async function pictureOf(file: string): Promise<Picture> {
  const bytes = await readFile(file);
  await inspectPicture(bytes);
  return decodePicture(bytes);
}

/** A sum over a photograph, by a spec. */
export interface PictureSum<T> {
  name: string;
  schema: Joi.ObjectSchema<T>;
  /** `folder`: where the files that the spec names lie. */
  compute: (photo: string, spec: T, folder: string) => Promise<object>;
}

type Answer = object | { errors: FieldError[] };

const isMissing = (failure: unknown) => (failure as NodeJS.ErrnoException).code === 'ENOENT';

async function answered<T>(sum: PictureSum<T>, photo: string, spec: unknown, folder: string): Promise<Answer> {
  const { value, error } = sum.schema.validate(spec, VALIDATE);
  if (error) return { errors: fieldErrors(error) };
  try {
    return await sum.compute(photo, value, folder);
  } catch (failure) {
    if (failure instanceof Refusal) return wrongLine(failure.message, failure.field);
    if (isMissing(failure)) return wrongLine((failure as Error).message, 'photo');
    throw failure;
  }
}

const asText = (value: unknown): string => (typeof value === 'string' ? value : '');

/** One line of `--lines`: a photograph with its spec, or with the file that holds it. */
async function answeredLine<T>(sum: PictureSum<T>, given: unknown): Promise<Answer> {
  const { photo, spec } = (given ?? {}) as { photo?: unknown; spec?: unknown };
  if (asText(photo) === '' || spec === undefined)
    return wrongLine(
      'Give a photograph and a spec: {"photo":"photo.jpg","spec":{…}} or {"photo":…,"spec":"spec.json"}',
    );
  if (typeof spec !== 'string') return answered(sum, asText(photo), spec, process.cwd());
  try {
    return await answered(sum, asText(photo), JSON.parse(await readFile(spec, 'utf8')), path.dirname(spec));
  } catch (failure) {
    if (failure instanceof SyntaxError || isMissing(failure)) return wrongLine((failure as Error).message, 'spec');
    throw failure;
  }
}

/**
 * `npm run -s <name> -- photo.jpg spec.json`: works a photograph out and prints the result as JSON. `--lines` reads one
 * `{"photo","spec"}` a line from standard input and prints one result a line, or `{"errors":[…]}`.
 *
 * @returns what the process exits with
 */
export async function pictureCommand<T>(sum: PictureSum<T>): Promise<number> {
  const [photo, spec] = process.argv.slice(2);
  if (photo === '--lines') return eachLine((given) => answeredLine(sum, given));
  if (!photo || !spec) return fail(`Give a photograph and a spec: npm run -s ${sum.name} -- photo.jpg spec.json`);
  const answer = await answeredLine(sum, { photo, spec });
  if ('errors' in answer)
    return fail(answer.errors.map(({ field, message }) => (field ? `${field}: ${message}` : message)).join('\n'));
  process.stdout.write(`${JSON.stringify(answer)}\n`);
  return 0;
}

function fail(message: string): number {
  process.stderr.write(`${message}\n`);
  return 1;
}
