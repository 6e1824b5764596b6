import type Joi from 'joi';
import { revalidatePath } from 'next/cache';
import { doneOnce } from '@/data/once';
import { answer, type Answer } from './answer';

export type Given = Record<string, unknown>;

/** A key as a page makes it. */
const KEY = /^[0-9a-f]{32}$/;

/**
 * Answers a change and, where it was made, has every page drawn anew. What carries a key of its page (`once`) is done
 * once: sent again, since its answer was lost, it is answered the same.
 */
export async function write<Input, T>(
  schema: Joi.Schema<Input>,
  { once, ...given }: Given,
  work: (input: Input, now: Date) => Promise<T>,
): Promise<Answer<T>> {
  const answered = await answer(schema, given, (input: Input, now) =>
    typeof once === 'string' && KEY.test(once) ? doneOnce(once, () => work(input, now), now) : work(input, now),
  );
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}
