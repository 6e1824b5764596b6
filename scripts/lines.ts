import { createInterface } from 'node:readline';
import type { FieldError } from '@/core/sums/fieldErrors';

/** What a line that cannot be worked with is answered with. */
export const wrongLine = (message: string, field = ''): { errors: FieldError[] } => ({ errors: [{ field, message }] });

/** Reads one JSON a line from standard input and writes one a line, in the same order; empty lines are passed over. */
export async function eachLine(answer: (given: unknown) => Promise<unknown>): Promise<0> {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() === '') continue;
    let answered: unknown;
    try {
      answered = await answer(JSON.parse(line));
    } catch (failure) {
      if (!(failure instanceof SyntaxError)) throw failure;
      answered = wrongLine(`This line is not JSON (${failure.message}).`);
    }
    process.stdout.write(`${JSON.stringify(answered)}\n`);
  }
  // A line that was wrong says so itself; the rest were worked out.
  return 0;
}
