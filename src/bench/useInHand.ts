'use client';

import { useEffect, useState } from 'react';

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
