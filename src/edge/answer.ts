import type Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { KEPT_MS } from '@/data/once';
import { fieldErrors, VALIDATE, type FieldError } from '@/core/sums/fieldErrors';
import { clock } from './clock';
import { REFUSED, standing } from './entered';
import { faultSentence, tellFault } from './faults';
import { Meanwhile } from './meanwhile';

/** A fault of ours. */
const FAILED_INSIDE =
  'Something failed inside Kvell and nothing was saved. What you typed is still here; try again. The server’s output says more.';

/** What every action and route answers: the one error shape of the house. */
export type Answer<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/**
 * Validates what came in and does the work, all of it at one instant. What a person can act on comes back as errors by field; what
 * nobody foresaw is written to the server's error output and said so.
 */
export async function answerAnyone<Input, T>(
  schema: Joi.Schema<Input>,
  given: unknown,
  work: (input: Input, now: Date) => Promise<T>,
): Promise<Answer<T>> {
  const now = new Date(clock().getTime() - typedAgo(given));
  // Nothing at all is no answer to any question.
  const unfit = unfitFor(given);
  if (unfit) return { ok: false, errors: [{ field: '', message: unfit }] };
  const { value, error } = schema.required().validate(withoutKey(given), VALIDATE);
  if (error) return { ok: false, errors: fieldErrors(error) };
  try {
    return { ok: true, value: await work(value as Input, now) };
  } catch (failure) {
    if (failure instanceof Refusal) return { ok: false, errors: [{ field: failure.field, message: failure.message }] };
    if (failure instanceof Meanwhile) return { ok: false, errors: failure.errors };
    const fault = tellFault(failure, clock());
    return {
      ok: false,
      errors: [{ field: '', message: fault ? `Nothing was saved. ${faultSentence(fault)}` : FAILED_INSIDE }],
    };
  }
}

/** The same for whoever has entered; anybody else is told so, and nothing is validated, read or written. */
export async function answer<Input, T>(
  schema: Joi.Schema<Input>,
  given: unknown,
  work: (input: Input, now: Date) => Promise<T>,
): Promise<Answer<T>> {
  try {
    const how = await standing();
    if (how !== 'inside') return { ok: false, errors: [{ field: '', message: REFUSED[how].message }] };
  } catch (failure) {
    // Whether somebody has entered is kept in the database as well.
    const fault = tellFault(failure, clock());
    if (!fault) throw failure;
    return { ok: false, errors: [{ field: '', message: faultSentence(fault) }] };
  }
  return answerAnyone(schema, given, work);
}

/** Why something cannot be looked at at all: it holds itself, or a character that text cannot have; `null` where it can. */
function unfitFor(given: unknown): string | null {
  try {
    return JSON.stringify(given)?.includes('\\u0000')
      ? 'It holds a character that text cannot have. Type it again rather than pasting it.'
      : null;
  } catch {
    return 'It holds itself, which nothing does that Kvell’s own pages send. Load the page again, and send it once more.';
  }
}

/**
 * How long ago something was typed that a device kept while Kvell was away, ms: it was done then. The device tells an
 * age and no time, since its clock may be another; more than the seven days that it keeps things is no age.
 */
function typedAgo(given: unknown): number {
  const told = typeof given === 'object' && given !== null && 'typedAgoMs' in given ? Number(given.typedAgoMs) : 0;
  return told >= 0 && told <= KEPT_MS ? told : 0;
}

/** The key of a form and its age are no fields of it: what only reads does without. */
function withoutKey(given: unknown): unknown {
  if (typeof given !== 'object' || given === null || !('once' in given || 'typedAgoMs' in given)) return given;
  const fields: Record<string, unknown> = { ...given };
  delete fields.once;
  delete fields.typedAgoMs;
  return fields;
}
