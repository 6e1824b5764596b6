'use client';

import { createContext, useContext, useSyncExternalStore } from 'react';

/** The time by this device's clock, where a tap or a page that stays open asks for it. */
export const deviceTime = (): Date => new Date();

let now = deviceTime().getTime();
const listeners = new Set<() => void>();
let ticking: ReturnType<typeof setInterval> | null = null;

function subscribe(listener: () => void) {
  listeners.add(listener);
  ticking ??= setInterval(() => {
    now = deviceTime().getTime();
    listeners.forEach((tell) => tell());
  }, 1000);
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0 && ticking) {
      clearInterval(ticking);
      ticking = null;
    }
  };
}

/** When the page was drawn, by the clock of the server: what counts down stands there from the first moment. */
export const DrawnAt = createContext(0);

/** The current second, for everything that counts down; while the page wakes up, when it was drawn, or 0 where nobody says. */
export function useNow(): number {
  const drawnAt = useContext(DrawnAt);
  return useSyncExternalStore(
    subscribe,
    () => now,
    () => drawnAt,
  );
}

/** Days of which nobody counts the hours any more: what a clock has room for. */
const DAYS_ALONE = 100;

/** A span as `2:04:09` or `04:09`, over two days as `6 d 08 h`, over a hundred as `163 d`; negative spans are time over. */
export function showSpan(ms: number): string {
  const seconds = Math.floor(Math.abs(ms) / 1000);
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const days = Math.floor(h / 24);
  if (days >= DAYS_ALONE) return `${days} d`;
  if (days >= 2) return `${days} d ${String(h % 24).padStart(2, '0')} h`;
  const two = (n: number) => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${two(m)}:${two(s)}`;
}
