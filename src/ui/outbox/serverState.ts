'use client';

import { useSyncExternalStore } from 'react';
import { deviceTime } from '../clock';
import { ANSWERED, UNANSWERED } from './keeper';

/** Whether Kvell answers this device, and since when what is shown is not looked after any more. */
export interface ServerState {
  away: boolean;
  /** When it last answered, by this device's clock; `null` since the page was opened. */
  answered: number | null;
}

/** One question that was lost is no absence. */
const LOST = 2;

let state: ServerState = { away: false, answered: null };
let lost = 0;
const listeners = new Set<() => void>();
const atFirst = state;

function become(next: ServerState) {
  const changed = next.away !== state.away;
  state = next;
  if (changed) listeners.forEach((tell) => tell());
}

function itAnswered(): void {
  lost = 0;
  become({ away: false, answered: deviceTime().getTime() });
}

function itDidNot(): void {
  lost += 1;
  if (lost >= LOST) become({ ...state, away: true });
}

/** Listens from here on to what the page asks every second. */
export function watchServer(): () => void {
  addEventListener(ANSWERED, itAnswered);
  addEventListener(UNANSWERED, itDidNot);
  return () => {
    removeEventListener(ANSWERED, itAnswered);
    removeEventListener(UNANSWERED, itDidNot);
  };
}

function listen(tell: () => void) {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

export const useServer = (): ServerState =>
  useSyncExternalStore(
    listen,
    () => state,
    () => atFirst,
  );
