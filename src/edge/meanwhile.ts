import { merge, type Fields } from '@/core/merge';
import type { FieldError } from '@/core/sums/fieldErrors';

/** What was typed meets what somebody else wrote there since the page was drawn. */
export class Meanwhile extends Error {
  constructor(readonly errors: FieldError[]) {
    super('What was typed meets what somebody else wrote there.');
  }
}

function wordsFor(stands: unknown): string {
  if (stands === '') return 'Meanwhile this was emptied on another screen. Save again to keep what you typed.';
  if (typeof stands === 'string')
    return `Meanwhile “${stands.slice(0, 200)}” was written here, on another screen. Save again to keep what you typed.`;
  return 'Meanwhile something else was chosen here, on another screen. Load the page again, then choose again.';
}

/** @throws Meanwhile where a field was changed to two things at once */
export function broughtTogether(typed: Fields, drawn: Fields, stands: Fields): Fields {
  const { merged, meets } = merge(typed, drawn, stands);
  if (meets.length > 0)
    throw new Meanwhile(meets.map((field) => ({ field, message: wordsFor(stands[field]), stands: stands[field] })));
  return merged;
}
