import { deviceTime } from '../clock';
import { pageWords } from '../pageWords';
import type { Answered } from './answerIn';
import { failedUnder, type Raw, type Typed } from './requests';
import type { Kept } from './store';

export const KEPT_WORDS = 'Kept on this device. It is sent when Kvell answers again.';

const MOST_WORDS = 60;

const inShort = (words: string): string => {
  const line = words.trim().replace(/\s+/g, ' ');
  return line.length > MOST_WORDS ? `${line.slice(0, MOST_WORDS)}…` : line;
};

/** What was sent, where, and the beginning of what was typed. */
export const typedWords = (button: string, typed = ''): string =>
  `“${inShort(button)}” on ${pageWords(document, location.pathname)}${typed && `: ${inShort(typed)}`}`;

let keepIn: ((kept: Kept) => Promise<void>) | null = null;

/** The place where things are kept comes after the page, and has to be there before Kvell is away: it says so itself. */
export function keepHere(place: (kept: Kept) => Promise<void>): void {
  keepIn = place;
}

/** What waits for the answer to something that was kept, as long as its page is open. */
const waiting = new Map<string, (answer: Answered) => void>();

/** Hands an answer to whoever sent it from this page; a page that was left does not hear of it. */
export function arrived(key: string, answer: Answered): void {
  waiting.get(key)?.(answer);
  waiting.delete(key);
}

/**
 * Keeps what did not reach Kvell, to be sent once it answers again; `false` where it cannot be kept.
 *
 * @param then told the answer when it comes, if the page is still there
 */
export async function keepRaw(
  key: string,
  raw: Raw,
  typed: Typed,
  then?: (answer: Answered) => void,
): Promise<boolean> {
  if (!keepIn) return false;
  if (then) waiting.set(key, then);
  try {
    const at = deviceTime().getTime();
    await keepIn({ id: key, at, page: location.pathname + location.search, ...typed, ...raw });
    return true;
  } catch {
    // A browser that lets nobody keep anything: then what was typed stays in its form, and that is said there.
    waiting.delete(key);
    return false;
  }
}

/** The same of an action that was sent under a key. */
export async function keepUnder(
  key: string | undefined,
  typed: Typed,
  then?: (answer: Answered) => void,
): Promise<boolean> {
  const raw = key === undefined ? undefined : failedUnder(key);
  return raw !== undefined && (await keepRaw(key!, raw, typed, then));
}
