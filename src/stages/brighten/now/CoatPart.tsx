'use client';

import type { Session } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { addCoat } from '../actions';

/** Cream brushed on afresh while it runs: it comes out of the tube, so that the stores stay true. */
export function CoatPart({ session, usualMl }: { session: Session; usualMl: number }) {
  const so = session.coats.reduce((sum, { amountMl }) => sum + amountMl, 0);
  return (
    <Fold summary={session.coats.length === 0 ? 'Note fresh cream' : `Note fresh cream (${so.toFixed(0)} mL so far)`}>
      <AnswerForm
        key={session.coats.length}
        fields={[
          {
            name: 'amountMl',
            label: 'Fresh cream',
            kind: 'number',
            unit: 'mL',
            half: true,
            hint: 'A whole coat, or less where it only dried in places',
          },
        ]}
        initial={{ amountMl: String(Math.round(usualMl)) }}
        submit="It is on"
        send={(values) => addCoat({ ...values, sessionId: session.id })}
        done="Noted, and taken out of the tube."
        draftKey={`coat-${session.id}`}
        bench
      />
    </Fold>
  );
}
