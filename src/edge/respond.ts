import type { Answer } from './answer';

/** An answer as JSON: 200, or 400 with every field's error. */
export function respond<T>(answered: Answer<T>): Response {
  return Response.json(answered, { status: answered.ok ? 200 : 400 });
}
