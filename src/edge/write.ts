import type Joi from 'joi';
import { revalidatePath } from 'next/cache';
import { answer, type Answer } from './answer';

export type Given = Record<string, unknown>;

/** Answers a change and, where it was made, has every page drawn anew. */
export async function write<Input, T>(schema: Joi.Schema<Input>, given: Given, work: (input: Input, now: Date) => Promise<T>): Promise<Answer<T>> {
  const answered = await answer(schema, given, work);
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}
