import type Joi from 'joi';
import { revalidatePath } from 'next/cache';
import type { Fields } from '@/core/merge';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { doneOnce } from '@/data/once';
import { answer, type Answer } from './answer';
import { broughtTogether, Meanwhile } from './meanwhile';

export type Given = Record<string, unknown>;

/** What came in as fields: an action can be called with anything, or with nothing. */
const fieldsOf = (sent: unknown): Given =>
  typeof sent === 'object' && sent !== null && !Array.isArray(sent) ? (sent as Given) : {};

/** A key as a page makes it. */
const KEY = /^[0-9a-f]{32}$/;

/**
 * Answers a change and, where it was made, has every page drawn anew. What carries a key of its page (`once`) is done
 * once: sent again, since its answer was lost, it is answered the same.
 */
export async function write<Input, T>(
  schema: Joi.Schema<Input>,
  sent: Given,
  work: (input: Input, now: Date) => Promise<T>,
): Promise<Answer<T>> {
  const { once, ...given } = fieldsOf(sent);
  const answered = await answer(schema, given, (input: Input, now) =>
    typeof once === 'string' && KEY.test(once) ? doneOnce(once, () => work(input, now), now) : work(input, now),
  );
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

/**
 * The same for a page that shows something and changes it: it sends what it was drawn with (`drawn`), and where that has
 * moved on since, what somebody else wrote stays in the fields that were not touched.
 *
 * @param stands what the page would be drawn with now, by the same names
 */
export async function writeOver<Input, T>(
  schema: Joi.Schema<Input>,
  sent: Given,
  stands: (input: Input) => Promise<Fields>,
  work: (input: Input, now: Date) => Promise<T>,
): Promise<Answer<T>> {
  const { drawn, ...given } = fieldsOf(sent);
  if (typeof drawn !== 'object' || drawn === null) return write(schema, given, work);
  return write(schema, given, async (input, now) => {
    const typed = { ...given };
    delete typed.once;
    delete typed.typedAgoMs;
    const { value, error } = schema.validate(broughtTogether(typed, drawn as Fields, await stands(input)), VALIDATE);
    // What fits by itself may not fit what stands beside it by now.
    if (error) throw new Meanwhile(fieldErrors(error));
    return work(value as Input, now);
  });
}
