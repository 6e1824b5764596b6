'use client';

import { useEffect } from 'react';

/** Keeps the screen awake while a bench screen is open, where the browser can. */
export function useWakeLock(): void {
  useEffect(() => {
    if (!('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (granted) => {
          if (left) void granted.release();
          else lock = granted;
        },
        // Refused on low battery, for example: the screen then sleeps as it always does.
        () => {},
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}
