import { text } from 'node:stream/consumers';
import { findSum, SUMS } from '@/core/sums/catalogue';
import { runSum } from '@/core/sums/run';
import { eachLine } from './lines';

/**
 * `npm run -s sum -- <name> '<json>'`; `-` reads the JSON from standard input, `--lines` one JSON a line, and answers
 * with one a line: the output, or `{"errors":[…]}`.
 */
async function main(): Promise<number> {
  const [name, json] = process.argv.slice(2);
  const sum = findSum(name ?? '');
  if (!sum)
    return fail(
      `${name ? `There is no sum “${name}”.` : 'Name a sum.'} One of: ${SUMS.map((s) => s.name).join(', ')}.`,
    );
  if (json === '--lines')
    return eachLine((given) => {
      const outcome = runSum(sum, given);
      return Promise.resolve(outcome.ok ? outcome.output : { errors: outcome.errors });
    });
  let given: unknown;
  try {
    given = JSON.parse((json === '-' ? await text(process.stdin) : json) ?? '{}');
  } catch (error) {
    return fail(`The input is not JSON (${(error as Error).message}). Example: ${JSON.stringify(sum.example)}`);
  }
  const outcome = runSum(sum, given);
  if (!outcome.ok)
    return fail(outcome.errors.map(({ field, message }) => `${field || 'input'}: ${message}`).join('\n'));
  process.stdout.write(`${JSON.stringify(outcome.output)}\n`);
  return 0;
}

function fail(message: string): number {
  process.stderr.write(`${message}\n`);
  return 1;
}

process.exitCode = await main();
