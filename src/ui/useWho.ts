'use client';

import { useSyncExternalStore } from 'react';

const KEY = 'kvell-who';
const listeners = new Set<() => void>();

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** Who holds this device: a name of the workshop, remembered here; empty where nobody said so, or where there is only one. */
export function useWho(people: readonly string[]): [string, (name: string) => void] {
  const kept = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(KEY) ?? '',
    () => '',
  );
  const choose = (name: string) => {
    localStorage.setItem(KEY, name);
    listeners.forEach((tell) => tell());
  };
  return [people.length > 1 && people.includes(kept) ? kept : '', choose];
}
