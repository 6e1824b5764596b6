'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { ANSWERED, UNANSWERED } from '@/ui/outbox/keeper';

const ASK_EVERY_MS = 1000;
const ASK_UNSEEN_EVERY_MS = 10_000;
/** A phone that left the network waits for an answer for minutes. */
const LONGEST_MS = 15_000;

/**
 * Draws the screen anew when another device has changed something. What is typed stays: only what came from the
 * server is drawn again. A phone that slept asks at once when it wakes.
 *
 * @param mark newest change that this screen shows
 */
export function useFresh(mark: number): void {
  const router = useRouter();
  const seen = useRef(mark);
  useEffect(() => {
    seen.current = Math.max(seen.current, mark);
  }, [mark]);
  useEffect(() => {
    let left = false;
    let timer: ReturnType<typeof setTimeout>;
    const ask = async () => {
      clearTimeout(timer);
      try {
        const response = await fetch('/api/mark', { signal: AbortSignal.timeout(LONGEST_MS) });
        if (left) return;
        dispatchEvent(new Event(ANSWERED));
        // Signed out on another device: the page itself leads to where this one enters again.
        if (response.status === 401) return location.reload();
        const { mark: newest } = (await response.json()) as { mark: number };
        if (newest > seen.current) {
          seen.current = newest;
          router.refresh();
        }
      } catch {
        // It is asked again; whoever looks at the page is told when that lasts.
        if (!left) dispatchEvent(new Event(UNANSWERED));
      }
      if (!left) timer = setTimeout(() => void ask(), document.hidden ? ASK_UNSEEN_EVERY_MS : ASK_EVERY_MS);
    };
    const woken = () => void (!document.hidden && ask());
    timer = setTimeout(() => void ask(), ASK_EVERY_MS);
    document.addEventListener('visibilitychange', woken);
    return () => {
      left = true;
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', woken);
    };
  }, [router]);
}
