import { writeFile } from 'node:fs/promises';
import { partOf } from '@/core/mending/part/part';
import { Refusal } from '@/core/refusal';
import { fieldErrors } from '@/core/sums/fieldErrors';
import Joi from 'joi';

/** `npm run -s part -- <family> '<json>' out.stl`: writes the part as binary STL in mm and prints what is known of it. */
async function part(): Promise<number> {
  const [family, json, file] = process.argv.slice(2);
  if (!family || !json || !file)
    return fail(
      `Give a kind of part, its sizes and a file: npm run -s part -- sleeve '{"innerMm":3.2,"outerMm":7,"lengthMm":9}' out.stl`,
    );
  let sizes: unknown;
  try {
    sizes = JSON.parse(json);
  } catch (failure) {
    return fail(`The sizes are not JSON: ${(failure as Error).message}`);
  }
  try {
    const { solid, stl } = partOf(family, sizes);
    await writeFile(file, stl);
    process.stdout.write(`${JSON.stringify(solid)}\n`);
    return 0;
  } catch (failure) {
    if (failure instanceof Refusal) return fail(`${failure.field}: ${failure.message}`);
    if (Joi.isError(failure))
      return fail(
        fieldErrors(failure)
          .map(({ field, message }) => `${field}: ${message}`)
          .join('\n'),
      );
    if ((failure as NodeJS.ErrnoException).syscall)
      return fail(`The file cannot be written: ${(failure as Error).message}`);
    throw failure;
  }
}

function fail(message: string): number {
  process.stderr.write(`${message}\n`);
  return 1;
}

process.exitCode = await part();
