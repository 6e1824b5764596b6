import { randomBytes } from 'node:crypto';

/** So long a file that somebody asked for may be fetched. */
const FOR_MS = 60_000;

const kept = globalThis as { kvellSaving?: Map<string, { passphrase: string; until: number }> };
const asked = () => (kept.kvellSaving ??= new Map());

/** Remembers for a minute with which passphrase a backup is to be saved: a browser fetches a file by its address alone. */
export function askToSave(passphrase: string, now: Date): string {
  for (const [token, { until }] of asked()) if (until < now.getTime()) asked().delete(token);
  const token = randomBytes(16).toString('hex');
  asked().set(token, { passphrase, until: now.getTime() + FOR_MS });
  return token;
}

/** The passphrase that was asked for, once; `null` where nothing was, or it is over. */
export function askedToSave(token: string, now: Date): string | null {
  const found = asked().get(token);
  asked().delete(token);
  return found && found.until >= now.getTime() ? found.passphrase : null;
}
