'use client';

import { Button } from '@/ui/Button';
import type { ComponentProps } from 'react';
import type { FieldError } from '@/core/sums/fieldErrors';
import { Wrong } from '@/ui/Wrong';
import { useTakeBack } from './useTakeBack';

interface Props extends Pick<ComponentProps<typeof Button>, 'width'> {
  /** The verb on the button. */
  children: React.ReactNode;
  label?: string;
  /** Answers with the id by which it is brought back. */
  act: () => Promise<{ ok: true; value: string } | { ok: false; errors: FieldError[] }>;
  /** What the message says, beside its undo. */
  done: string;
  /** Looks like a word, not like a button. */
  quiet?: boolean;
}

/** Takes one thing back, at once and with an undo; what stands against it is said beside the button. */
export function TakeBack({ children, label, act, done, width, quiet = false }: Props) {
  const { wrong, busy, takeBack } = useTakeBack();
  return (
    <>
      <Button
        aria-label={label}
        disabled={busy}
        look={quiet ? 'bare' : 'quiet'}
        {...(width !== undefined && { width })}
        onClick={() => takeBack(act, done)}
      >
        {children}
      </Button>
      <Wrong words={wrong} />
    </>
  );
}
