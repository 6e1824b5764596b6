/** What a device wanted to send, as it went out. */
export interface Raw {
  url: string;
  headers: readonly (readonly [string, string])[];
  /** The words of an action, or the fields of a form with a photograph. */
  body: string | readonly (readonly [string, string | File])[];
}

/** What the person who typed it knows it by. */
export interface Typed {
  what: string;
  /** Where the form keeps what is typed, and what was typed: put back there where it is not taken. */
  draft?: { key: string; values: Record<string, string> };
}

/** So many are held until somebody keeps them: the last ones. */
const HELD = 20;

const failed = new Map<string, Raw>();
const KEY = /"once":"([0-9a-f]{32})"/;
let watched = false;

/**
 * Notes every action with a key that never reached Kvell, so that it can be kept and sent later. Next gives nobody
 * else the request that it makes of an action; here it goes by.
 */
export function watchRequests(): void {
  if (watched) return;
  watched = true;
  const plain = window.fetch.bind(window);
  window.fetch = async (input, init) => {
    try {
      return await plain(input, init);
    } catch (failure) {
      const headers = new Headers(init?.headers);
      const key = typeof init?.body === 'string' && headers.has('next-action') ? KEY.exec(init.body)?.[1] : undefined;
      // Stopped by hand is not lost on the way.
      if (key && failure instanceof TypeError) {
        failed.set(key, { url: String(input), headers: [...headers], body: init!.body as string });
        if (failed.size > HELD) failed.delete(failed.keys().next().value!);
      }
      throw failure;
    }
  };
}

/** What was sent under a key and did not arrive; `undefined` where an answer came, or where it may not be sent twice. */
export const failedUnder = (key: string): Raw | undefined => failed.get(key);
