'use client';

import type { FieldError } from '@/core/sums/fieldErrors';
import { notArrived } from '@/ui/notArrived';
import { say, warn } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { bringItBack } from './actions';

type Taken = { ok: true; value: string } | { ok: false; errors: FieldError[] };

/** Takes something back, and says so with a way to have it again. */
export function useTakeBack() {
  const { wrong, busy, send } = useSend();
  async function bring(id: string) {
    const answered = await bringItBack(id).catch((failure: unknown) => notArrived(failure));
    if (typeof answered === 'string') return warn(answered);
    if (!answered.ok) return warn(answered.errors.map(({ message }) => message).join(' '));
    say('It is back.');
  }
  const takeBack = (act: () => Promise<Taken>, words: string) =>
    send(act, (id) => say(words, { title: 'Undo', act: () => void bring(id) }));
  return { wrong, busy, takeBack };
}
