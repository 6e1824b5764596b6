import { deviceTime } from '../clock';
import { pageWords } from '../pageWords';
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

/** Keeps what did not reach Kvell, to be sent once it answers again; `false` where it cannot be kept. */
export async function keepRaw(key: string, raw: Raw, typed: Typed): Promise<boolean> {
  if (!keepIn) return false;
  try {
    const at = deviceTime().getTime();
    await keepIn({ id: key, at, page: location.pathname + location.search, ...typed, ...raw });
    return true;
  } catch {
    // A browser that lets nobody keep anything: then what was typed stays in its form, and that is said there.
    return false;
  }
}

/** The same of an action that was sent under a key. */
export async function keepUnder(key: string | undefined, typed: Typed): Promise<boolean> {
  const raw = key === undefined ? undefined : failedUnder(key);
  return raw !== undefined && (await keepRaw(key!, raw, typed));
}
