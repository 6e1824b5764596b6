'use client';

import { useState } from 'react';
import { STOCK_KINDS, unitOf } from '@/core/ledger/left';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { FieldWatch } from '@/ui/FieldWatch';
import { putIntoStores } from './actions';
import { STRENGTH_CHOICES } from './strengthChoices';

/** A bottle goes into the stores as its label says. */
export function StockForm({ currency }: { currency: string }) {
  const [kind, setKind] = useState<string>(STOCK_KINDS[0]);
  const fields: readonly FieldDef[] = [
    { name: 'name', label: 'What the label says', half: true },
    { name: 'kind', label: 'Kind', kind: 'choice', half: true, options: options(STOCK_KINDS) },
    { name: 'strengthValue', label: 'Strength on the label', kind: 'number', half: true, hint: 'Peroxide only' },
    { name: 'strengthUnit', label: 'The label counts in', kind: 'choice', half: true, options: STRENGTH_CHOICES },
    { name: 'sizeMl', label: 'Content when full', kind: 'number', unit: unitOf(kind), half: true, optional: true },
    { name: 'price', label: 'Price', kind: 'number', unit: currency, half: true, optional: true },
    { name: 'words', label: 'Remarks', optional: true },
  ];
  return (
    <AnswerForm
      fields={fields}
      initial={{
        name: '',
        kind: STOCK_KINDS[0],
        strengthValue: '',
        strengthUnit: 'percentWW',
        sizeMl: '',
        price: '',
        words: '',
      }}
      submit="Put into stores"
      send={putIntoStores}
      done="In the stores."
      draftKey="stock"
    >
      {(form) => <FieldWatch form={form} name="kind" onChange={setKind} />}
    </AnswerForm>
  );
}
