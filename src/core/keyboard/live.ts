/** An event of a keyboard on a cable: a key by the code that the browser gives it, down or up, at so many ms. */
export interface KeyEvent {
  code: string;
  type: 'down' | 'up';
  atMs: number;
}

/** What was seen of a keyboard so far, event by event. */
export interface Heard {
  /** Codes that went down and came up again. */
  answered: readonly string[];
  /** Codes that are down now, with when they went down. */
  held: Readonly<Record<string, number>>;
  /** Codes that went down again at once: their contact bounces. How often. */
  bounced: Readonly<Record<string, number>>;
  /** Pairs of codes that went down as one, the first before the other; how often. */
  together: Readonly<Record<string, number>>;
  /** When each came up last. */
  cameUp: Readonly<Record<string, number>>;
}

export const NOTHING_HEARD: Heard = { answered: [], held: {}, bounced: {}, together: {}, cameUp: {} };

/** A second press within this of letting go is no finger, ms. */
export const BOUNCE_MS = 30;
/** Two keys that go down within this were one press, ms. */
const TOGETHER_MS = 12;
/** A key that is down for longer than this while nobody holds it stays on, ms. */
export const STAYS_ON_MS = 4000;

const more = (counts: Readonly<Record<string, number>>, name: string) => ({
  ...counts,
  [name]: (counts[name] ?? 0) + 1,
});

const without = (held: Readonly<Record<string, number>>, code: string): Record<string, number> =>
  Object.fromEntries(Object.entries(held).filter(([name]) => name !== code));

/** What is known after one more event; a repeat of a key that is down already is no press. */
export function heard(before: Heard, { code, type, atMs }: KeyEvent): Heard {
  if (type === 'up') {
    if (!(code in before.held)) return before;
    return {
      ...before,
      held: without(before.held, code),
      cameUp: { ...before.cameUp, [code]: atMs },
      answered: before.answered.includes(code) ? before.answered : [...before.answered, code],
    };
  }
  if (code in before.held) return before;
  const up = before.cameUp[code];
  const bounces = up !== undefined && atMs - up < BOUNCE_MS;
  const other = Object.entries(before.held).find(([, since]) => atMs - since < TOGETHER_MS)?.[0];
  return {
    ...before,
    held: { ...before.held, [code]: atMs },
    ...(bounces && { bounced: more(before.bounced, code) }),
    ...(other !== undefined && { together: more(before.together, `${other} ${code}`) }),
  };
}

/** Codes that are down for too long: they stay on, or somebody leans on them. */
export const staysOn = ({ held }: Heard, nowMs: number): string[] =>
  Object.entries(held).flatMap(([code, since]) => (nowMs - since > STAYS_ON_MS ? [code] : []));
