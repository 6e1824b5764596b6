import { deviceTime } from '../clock';
import { failedUnder, type Raw } from './requests';

/** What the person who typed it knows it by. */
export interface Typed {
  what: string;
  /** Where the form keeps what is typed, and what was typed: put back there where it is not taken. */
  draft?: { key: string; values: Record<string, string> };
}

export const KEPT_WORDS = 'Kept on this device. It is sent when Kvell answers again.';

/** Keeps what did not reach Kvell, to be sent once it answers again; `false` where it cannot be kept. */
export async function keepRaw(key: string, raw: Raw, typed: Typed): Promise<boolean> {
  try {
    const { keepIt } = await import('./store');
    const at = deviceTime().getTime();
    await keepIt({ id: key, at, page: location.pathname + location.search, ...typed, ...raw });
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
