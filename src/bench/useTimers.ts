'use client';

import { useEffect, useState } from 'react';
import type { Timer } from '@/data/rows';

const POLL_MS = 4000;

/** What runs, asked for again every few seconds, so that desk and phone show the same. */
export function useTimers(first: readonly Timer[]): readonly Timer[] {
  const [seen, setSeen] = useState<{ first: readonly Timer[]; timers: readonly Timer[] }>({ first, timers: first });
  useEffect(() => {
    let stale = false;
    const ask = async () => {
      try {
        const response = await fetch('/api/timers');
        if (response.ok && !stale) setSeen({ first, timers: (await response.json()) as Timer[] });
      } catch {
        // The server is away for a moment; the clocks here go on by themselves.
      }
    };
    const timer = setInterval(() => void ask(), POLL_MS);
    return () => {
      stale = true;
      clearInterval(timer);
    };
  }, [first]);
  return seen.first === first ? seen.timers : first;
}
