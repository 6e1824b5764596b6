import type { Answered } from './answerIn';

/** What was sent, as the person who sent it knows it. */
export interface Sent {
  button: string;
  /** What a form held, and where it keeps that: put back there where it is not taken. */
  draft?: { key: string; values: Record<string, string> };
}

/** Keeps on this device what did not reach Kvell, and tells its answer when it comes; `false` where it cannot be kept. */
export interface Keeper {
  keepUnder: (key: string | undefined, sent: Sent, then?: (answer: Answered) => void) => Promise<boolean>;
  keepPhoto: (form: FormData, name: string, then: (answer: Answered) => void) => Promise<boolean>;
}

export const KEPT_WORDS = 'Kept on this device. It is sent when Kvell answers again.';
/** Told to whoever listens: Kvell answered, or did not. */
export const [ANSWERED, UNANSWERED] = ['kvell-answered', 'kvell-unanswered'];

/** So long whoever sent something waits for the keeper, where it is on its way. */
const COMING_MS = 3000;

// It comes with the first touch, so that no page is the heavier for it.
let keeper: Keeper | null = null;
let isComing = false;
let onHere = (): void => {};
const here = new Promise<void>((resolve) => (onHere = resolve));

/** Somebody works with the page: the keeper is on its way. */
export function keeperComes(): void {
  isComing = true;
}

/** The keeper; `null` where there is none. What is sent with the first touch may be there before it. */
export async function keeperHere(): Promise<Keeper | null> {
  if (!keeper && isComing) await Promise.race([here, new Promise((over) => setTimeout(over, COMING_MS))]);
  return keeper;
}

export function giveKeeper(one: Keeper): void {
  keeper = one;
  onHere();
}
