'use client';

import { unitOf } from '@/core/ledger/left';
import type { Shelved } from '@/data/stock';
import { AnswerForm } from '@/ui/AnswerForm';
import { countLeft } from './actions';

/** Somebody looked how much is left in a bottle. */
export function CountForm({ bottle: { id, kind } }: { bottle: Shelved }) {
  return (
    <AnswerForm
      fields={[{ name: 'found', label: 'Left in it', kind: 'number', unit: unitOf(kind), hint: '0 when it is empty' }]}
      initial={{ found: '' }}
      submit="Note it"
      send={(values) => countLeft({ ...values, stockId: id })}
      done="Noted. Plans count with it."
      draftKey={`count:${id}`}
    />
  );
}
