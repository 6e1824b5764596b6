'use client';

import { useState } from 'react';
import { leftWords, unitOf } from '@/core/ledger/left';
import type { Shelved } from '@/data/stock';
import { AnswerForm } from '@/ui/AnswerForm';
import { FieldWatch } from '@/ui/FieldWatch';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { useUnits } from '@/ui/units';
import { addUsed } from './actions';

/** What a bath or a pass used of a bottle; it is taken out of it, at its share of the price. */
export function UsedPart({
  restorationId,
  bottles,
}: {
  restorationId: string;
  bottles: readonly [Shelved, ...Shelved[]];
}) {
  const units = useUnits();
  const [chosen, setChosen] = useState(bottles[0].id);
  const { kind } = bottles.find(({ id }) => id === chosen) ?? bottles[0];
  return (
    <Part title="Used from the stores" id="used">
      <Fold summary="Write down what a bath or a pass used">
        <AnswerForm
          draftKey={`used:${restorationId}`}
          fields={[
            {
              name: 'stockId',
              label: 'Bottle',
              kind: 'choice',
              half: true,
              options: bottles.map((bottle) => ({
                value: bottle.id,
                label: `${bottle.name}${leftWords(bottle, units)}`,
              })),
            },
            { name: 'amount', label: 'Used', kind: 'number', unit: unitOf(kind), half: true },
          ]}
          initial={{ stockId: bottles[0].id, amount: '' }}
          submit="Into the ledger"
          done="In the ledger, at its share of the price."
          send={(values) => addUsed({ restorationId, ...values })}
        >
          {(form) => <FieldWatch form={form} name="stockId" onChange={setChosen} />}
        </AnswerForm>
      </Fold>
    </Part>
  );
}
