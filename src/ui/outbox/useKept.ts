'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';

/** Whoever stays so long at a page has it in hand. */
const IN_HAND_MS = 4000;

/**
 * Has the browser keep the page in hand, again whenever it was drawn anew. Over plain http from another machine it
 * keeps none.
 *
 * @param mark newest change that this screen shows
 */
export function useKept(mark: number): void {
  const path = usePathname();
  useEffect(() => {
    void navigator.serviceWorker?.register('/sw.js').catch(() => undefined);
  }, []);
  useEffect(() => {
    const timer = setTimeout(
      () => navigator.serviceWorker?.controller?.postMessage({ keep: location.pathname + location.search }),
      IN_HAND_MS,
    );
    return () => clearTimeout(timer);
  }, [path, mark]);
}
