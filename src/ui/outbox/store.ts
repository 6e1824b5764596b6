import { createStore, del, get, set, values } from 'idb-keyval';
import type { Raw, Typed } from './requests';

/** What waits on this device until Kvell answers. */
export interface Kept extends Raw, Typed {
  /** The key of what is sent: Kvell takes it once, however often it is sent. */
  id: string;
  /** When it was typed, by this device's clock. */
  at: number;
  /** Where it was typed. */
  page: string;
  /** Why Kvell did not take it. */
  refused?: readonly string[];
}

let opened: ReturnType<typeof createStore> | undefined;
const store = () => (opened ??= createStore('kvell-outbox', 'kept'));

const listeners = new Set<() => void>();
/** Tells when something was kept here, or went. */
export function onKept(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}
const told = () => listeners.forEach((tell) => tell());

/** Everything that waits, in the order in which it was typed. */
export const allKept = async (): Promise<Kept[]> => (await values<Kept>(store())).sort((a, b) => a.at - b.at);

export const keepIt = (kept: Kept): Promise<void> => set(kept.id, kept, store()).then(told);
export const letGo = (id: string): Promise<void> => del(id, store()).then(told);

/** Remembers why it was not taken, or that it is to be tried again (`undefined`); what is gone meanwhile stays gone. */
export async function markRefused(id: string, refused: readonly string[] | undefined): Promise<void> {
  const kept = await get<Kept>(id, store());
  if (kept) await keepIt({ ...kept, refused });
}
