import { Refusal } from '../refusal';
import { fieldErrors, VALIDATE, type FieldError } from './fieldErrors';
import type { AnySum, Figure } from './sum';

export type SumOutcome =
  | { ok: true; input: unknown; output: unknown; figures: Figure[]; working: string[] }
  | { ok: false; errors: FieldError[] };

/** Validates, computes and explains. Bad input comes back as errors by field, never as an exception. */
export function runSum(sum: AnySum, given: unknown): SumOutcome {
  const { value, error } = sum.input.validate(given ?? {}, VALIDATE);
  if (error) return { ok: false, errors: fieldErrors(error) };
  try {
    const output = sum.compute(value as never);
    return {
      ok: true,
      input: value,
      output,
      figures: sum.results(output as never, value as never),
      working: sum.working(output as never, value as never),
    };
  } catch (refusal) {
    if (refusal instanceof Refusal) return { ok: false, errors: [{ field: refusal.field, message: refusal.message }] };
    throw refusal;
  }
}
