'use client';

import { useRef, useState, useTransition } from 'react';
import type { FieldError } from '@/core/sums/fieldErrors';
import { keysOfForm } from './keysOfForm';
import { notArrived } from './notArrived';
import type { Answered } from './outbox/answerIn';
import { KEPT_WORDS, keeperHere } from './outbox/keeper';
import { say } from './toast';

type Answer<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Puts the key of the page to what a tap sends, so that it is taken once however often it is sent. */
type Once = <Given extends Record<string, unknown>>(given: Given) => Given & { once: string };

/** Sends what one tap means; what was wrong is kept in words until the next tap. A tap while one is under way does nothing. */
export function useSend() {
  const [keys] = useState(keysOfForm);
  const [wrong, setWrong] = useState<string[]>([]);
  const [busy, start] = useTransition();
  // Words of an answer stand there a moment before the button wakes up: what is tapped on reading them is taken.
  const underWay = useRef(false);
  const send = <T>(act: (once: Once) => Promise<Answer<T>>, onDone?: (value: T) => void) => {
    let key: string | undefined;
    const once: Once = (given) => {
      key = keys.of(given);
      return { ...given, once: key };
    };
    if (underWay.current) return;
    underWay.current = true;
    const tapped = document.activeElement?.textContent ?? '';
    const answered = (answer: Answer<T>) => {
      if (answer.ok) {
        keys.answered();
        onDone?.(answer.value);
      } else setWrong(answer.errors.map(({ message }) => message));
    };
    const arriving = async () => {
      try {
        return await act(once);
      } finally {
        underWay.current = false;
      }
    };
    start(async () => {
      setWrong([]);
      try {
        answered(await arriving());
      } catch (failure) {
        // Tapped again it is the same thing, under the same key.
        const later = (answer: Answered) => answered(answer as Answer<T>);
        if (await (await keeperHere())?.keepUnder(key, { button: tapped }, later)) return say(KEPT_WORDS);
        setWrong([notArrived(failure, key ? 'Tap again: it is taken once.' : undefined)]);
      }
    });
  };
  return { wrong, busy, send };
}
