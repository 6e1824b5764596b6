'use client';

import { useState, useTransition } from 'react';
import type { FieldError } from '@/core/sums/fieldErrors';
import { notArrived } from './notArrived';

type Answer<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Sends what one tap means; what was wrong is kept in words until the next tap. A tap while one is under way does nothing. */
export function useSend() {
  const [wrong, setWrong] = useState<string[]>([]);
  const [busy, start] = useTransition();
  const send = <T>(act: () => Promise<Answer<T>>, onDone?: (value: T) => void) => {
    if (busy) return;
    start(async () => {
      setWrong([]);
      try {
        const answer = await act();
        if (answer.ok) onDone?.(answer.value);
        else setWrong(answer.errors.map(({ message }) => message));
      } catch (failure) {
        setWrong([notArrived(failure)]);
      }
    });
  };
  return { wrong, busy, send };
}
