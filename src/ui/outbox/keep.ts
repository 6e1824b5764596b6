import { deviceTime } from '../clock';
import { pageWords } from '../pageWords';
import type { Answered } from './answerIn';
import { newKey } from '../keysOfForm';
import type { Keeper, Sent } from './keeper';
import { failedUnder, type Raw, type Typed } from './requests';
import type { Kept } from './store';

const MOST_WORDS = 60;

const inShort = (words: string): string => {
  const line = words.trim().replace(/\s+/g, ' ');
  return line.length > MOST_WORDS ? `${line.slice(0, MOST_WORDS)}…` : line;
};

/** What was sent, where, and the beginning of what was typed: of the words in a form the longest. */
function sentWords({ button, draft }: Sent): string {
  const [typed = ''] = Object.values(draft?.values ?? {}).sort((a, b) => b.length - a.length);
  return `“${inShort(button)}” on ${pageWords(document, location.pathname)}${/\s/.test(typed) ? `: ${inShort(typed)}` : ''}`;
}

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

/** What forms, taps and photographs keep what they sent with. */
export const keeper: Keeper = {
  keepUnder: async (key, sent, then) => {
    const raw = key === undefined ? undefined : failedUnder(key);
    if (!raw) return false;
    return keepRaw(key!, raw, { what: sentWords(sent), ...(sent.draft && { draft: sent.draft }) }, then);
  },
  // The same photograph twice is one photograph: it can be sent again.
  keepPhoto: (form, name, then) =>
    keepRaw(
      newKey(),
      { url: '/api/photos', headers: [], body: [...form.entries()] },
      { what: `Photograph ${name}` },
      then,
    ),
};
