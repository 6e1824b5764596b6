import { deviceTime } from '../clock';
import { answerIn, type Answered } from './answerIn';
import type { Kept } from './store';

/** So long Kvell knows a key: what is older could be written twice. */
const SURE_MS = 7 * 24 * 3_600_000;
const A_MINUTE = 60_000;

/** What became of one that was sent: answered, not arrived (nothing is known of it), not let in, or of no use for a reason. */
export type Outcome = 'away' | 'outside' | { refused: string[] } | { answer: Answered };

/** With how long ago it was typed: what is done at 14:05 is written down as of 14:05, also where the clocks differ. */
function bodyOf({ id, at, body }: Kept, now: number): string | FormData {
  const typedAgoMs = Math.max(0, now - at);
  if (typeof body === 'string')
    return JSON.stringify(
      JSON.parse(body, (_, value: unknown) =>
        typeof value === 'object' && value !== null && (value as { once?: unknown }).once === id
          ? { ...value, typedAgoMs }
          : value,
      ),
    );
  const form = new FormData();
  for (const [name, value] of body) form.append(name, value);
  form.append('typedAgoMs', String(typedAgoMs));
  return form;
}

/** Sends one of what was kept. */
export async function sendOne(kept: Kept, now: number, post: typeof fetch): Promise<Outcome> {
  if (now - kept.at > SURE_MS)
    return {
      refused: [
        'It was typed more than seven days ago and is not sent by itself. See whether it is there; else type it again.',
      ],
    };
  if (kept.at - now > A_MINUTE)
    return { refused: ['This device’s clock was set back since: when it was typed is not sure. Type it again.'] };
  try {
    const response = await post(kept.url, {
      method: 'POST',
      headers: kept.headers.map(([name, value]): [string, string] => [name, value]),
      body: bodyOf(kept, now),
    });
    const answer = answerIn(await response.text());
    if (answer?.ok) return { answer };
    if (response.status === 401 || new URL(response.url || kept.url, 'http://here').pathname === '/enter')
      return 'outside';
    if (answer) return { answer };
    if (response.status >= 500) return 'away';
    return {
      refused: ['Kvell was changed since this was typed and cannot read it. Open its page and send it from there.'],
    };
  } catch {
    return 'away';
  }
}

/**
 * Sends what waits, one after the other in the order in which it was typed; stops where Kvell is away again, so that
 * nothing overtakes what came before it.
 */
export async function sendAll(
  waiting: readonly Kept[],
  post: typeof fetch,
  told: (kept: Kept, outcome: Outcome) => Promise<void>,
  now: () => number = () => deviceTime().getTime(),
): Promise<void> {
  for (const kept of waiting) {
    if (kept.refused) continue;
    const outcome = await sendOne(kept, now(), post);
    await told(kept, outcome);
    if (outcome === 'away' || outcome === 'outside') return;
  }
}
