'use client';

import { useState, useTransition } from 'react';
import type { FieldError } from '@/core/sums/fieldErrors';
import { keysOfForm } from './keysOfForm';
import { notArrived } from './notArrived';

type Answer<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Puts the key of the page to what a tap sends, so that it is taken once however often it is sent. */
type Once = <Given extends Record<string, unknown>>(given: Given) => Given & { once: string };

/** Sends what one tap means; what was wrong is kept in words until the next tap. A tap while one is under way does nothing. */
export function useSend() {
  const [keys] = useState(keysOfForm);
  const [wrong, setWrong] = useState<string[]>([]);
  const [busy, start] = useTransition();
  const send = <T>(act: (once: Once) => Promise<Answer<T>>, onDone?: (value: T) => void) => {
    let keyed = false;
    const once: Once = (given) => {
      keyed = true;
      return { ...given, once: keys.of(given) };
    };
    if (busy) return;
    start(async () => {
      setWrong([]);
      try {
        const answer = await act(once);
        if (answer.ok) {
          keys.answered();
          onDone?.(answer.value);
        } else setWrong(answer.errors.map(({ message }) => message));
      } catch (failure) {
        setWrong([notArrived(failure, keyed ? 'Tap again: it is taken once.' : undefined)]);
      }
    });
  };
  return { wrong, busy, send };
}
