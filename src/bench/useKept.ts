'use client';

import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { watchRequests } from '@/ui/outbox/requests';

/** Whoever stays so long at a page has it in hand. */
const IN_HAND_MS = 4000;

/** What tells that somebody works with the page. */
const TOUCHES = ['pointerdown', 'keydown', 'focusin'] as const;

/** Whether somebody works with the page, or has it in hand: what is needed only then does not burden its first load. */
export function useInHand(): boolean {
  const [inHand, setInHand] = useState(false);
  useEffect(() => {
    const now = () => setInHand(true);
    const timer = setTimeout(now, IN_HAND_MS);
    TOUCHES.forEach((touch) => document.addEventListener(touch, now, { capture: true, once: true }));
    return () => {
      clearTimeout(timer);
      TOUCHES.forEach((touch) => document.removeEventListener(touch, now, { capture: true }));
    };
  }, []);
  return inHand;
}

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
