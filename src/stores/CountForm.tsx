'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { unitOf } from '@/core/ledger/left';
import type { Shelved } from '@/data/stock';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { FieldWatch } from '@/ui/FieldWatch';
import { countLeft } from './actions';

/** Somebody looked how much is left in a bottle. */
export function CountForm({ stock }: { stock: readonly Shelved[] }) {
  const router = useRouter();
  const [chosen, setChosen] = useState(stock[0]!.id);
  const fields: readonly FieldDef[] = [
    { name: 'stockId', label: 'Bottle', kind: 'choice', half: true, options: stock.map(({ id, name }) => ({ value: id, label: name })) },
    {
      name: 'found',
      label: 'Left in it',
      kind: 'number',
      unit: unitOf((stock.find(({ id }) => id === chosen) ?? stock[0]!).kind),
      half: true,
      hint: '0 when it is empty',
    },
  ];
  return (
    <AnswerForm
      fields={fields}
      initial={{ stockId: stock[0]!.id, found: '' }}
      submit="Note what is left"
      send={countLeft}
      done="Noted. Plans count with it."
      draftKey="stock-count"
      onDone={() => router.refresh()}
    >
      {(form) => <FieldWatch form={form} name="stockId" onChange={setChosen} />}
    </AnswerForm>
  );
}
