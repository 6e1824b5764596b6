'use client';

import { Button } from '@/ui/Button';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { takeOffCoat } from './actions';

/** The uppermost coat of a coating is off again: sanded, washed off, or not laid after all. */
export function OffAgain({ coatId, kind, of = '' }: { coatId: string; kind: string; of?: string }) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Button
        aria-label={`Off again: ${[kind, of].filter(Boolean).join(', ')}`}
        disabled={busy}
        onClick={() => send((once) => takeOffCoat(once({ coatId, words: '' })))}
      >
        Off again
      </Button>
      <Wrong words={wrong} />
    </>
  );
}
