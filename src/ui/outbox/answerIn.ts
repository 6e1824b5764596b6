import type { FieldError } from '@/core/sums/fieldErrors';

export type Answered = { ok: true; value?: unknown } | { ok: false; errors: FieldError[] };

const isAnswer = (read: unknown): read is Answered => typeof read === 'object' && read !== null && 'ok' in read;

/**
 * What a route or an action of Kvell answered. An action's answer is the second row of what comes, the first being
 * the page's own; a route's is the whole.
 *
 * @returns `undefined` where it cannot be read: another build, another program, half of it
 */
export function answerIn(text: string): Answered | undefined {
  try {
    const read: unknown = JSON.parse(/^1:(\{.*\})$/m.exec(text)?.[1] ?? text);
    return isAnswer(read) ? read : undefined;
  } catch {
    return undefined;
  }
}
