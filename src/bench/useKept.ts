'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { watchRequests } from '@/ui/outbox/requests';

/** Whoever stays so long at a page has it in hand. */
const IN_HAND_MS = 4000;

/**
 * Keeps what this device needs while Kvell is away: what it wanted to send, and the page in hand, again whenever that
 * was drawn anew. Over plain http from another machine a browser keeps no pages.
 *
 * @param mark newest change that this screen shows
 */
export function useKept(mark: number): void {
  const path = usePathname();
  useEffect(() => {
    watchRequests();
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
