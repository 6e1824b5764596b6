import Joi from 'joi';
import fc from 'fast-check';
import { SUMS } from '@/core/sums/catalogue';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import * as brighten from '@/stages/brighten/schema';
import * as intake from '@/stages/intake/schema';
import * as measuring from '@/edge/measureSchema';
import * as rebuild from '@/stages/rebuild/schema';
import * as bench from '@/bench/planSchema';
import * as clipboard from '@/clipboard/schema';
import * as runsheet from '@/runsheet/schema';
import * as stores from '@/stores/schema';
import * as teardown from '@/stages/teardown/schema';
import * as wash from '@/stages/wash/schema';
import * as workshop from '@/workshop/schema';

/** Words that only the library says. */
const RAW =
  /must be (?!at least|at most|more than|less than \S+\.$)|must have|must contain|must only|is not allowed|is required|fails to match|contains a duplicate|does not match|failed custom|length must|missing required|is not a valid/;

const SCHEMAS = [
  bench,
  brighten,
  clipboard,
  intake,
  measuring,
  rebuild,
  runsheet,
  stores,
  teardown,
  wash,
  workshop,
].flatMap((room) =>
  Object.entries(room as Record<string, unknown>).flatMap(([name, schema]) =>
    Joi.isSchema(schema) ? [[name, schema as Joi.Schema] as const] : [],
  ),
);

/** What may stand in a field of a form, or be sent by hand. */
const anything = fc.oneof(
  fc.constantFrom(
    '',
    ' ',
    'x',
    '-1',
    '1e999',
    '12,5',
    'NaN',
    '2026-13-45',
    'yes',
    null,
    undefined,
    true,
    [],
    [''],
    {},
    [null],
    -1,
    0,
    1e12,
    0.5,
  ),
  fc.string({ maxLength: 5000, minLength: 4500 }),
  fc.object({ maxDepth: 1 }),
);

it.each(SCHEMAS)('%s says what is wrong in words of our own, whatever is sent', (_, schema) => {
  const keys = Object.keys((schema.describe() as { keys?: object }).keys ?? {});
  fc.assert(
    fc.property(
      fc.record(Object.fromEntries(keys.map((key) => [key, anything])), { requiredKeys: [] }),
      anything,
      (form, other) => {
        for (const given of [form, other]) {
          const { error } = schema.validate(given, VALIDATE);
          for (const { message } of error ? fieldErrors(error) : []) expect(message).not.toMatch(RAW);
        }
      },
    ),
    { numRuns: 60 },
  );
});

it('so does every sum', () => {
  for (const { input } of SUMS)
    fc.assert(
      fc.property(anything, (given) => {
        const { error } = input.validate(given, VALIDATE);
        for (const { message } of error ? fieldErrors(error) : []) expect(message).not.toMatch(RAW);
      }),
      { numRuns: 30 },
    );
});
