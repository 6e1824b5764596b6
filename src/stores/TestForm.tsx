'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { percentOf } from '@/core/peroxide/bottle';
import { caution, cautionsForPeroxide } from '@/core/peroxide/cautions';
import type { Shelved } from '@/data/stock';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { Cautions } from '@/ui/Cautions';
import { FieldWatch } from '@/ui/FieldWatch';
import { TextLink } from '@/ui/links';
import { testStrength } from './actions';

const WAYS = [
  { value: 'gas', label: 'by the gas of a sample' },
  { value: 'age', label: 'by its age' },
  { value: 'other', label: 'by a strip or another test' },
];
const FIELDS: Record<string, readonly FieldDef[]> = {
  gas: [
    {
      name: 'sampleMl',
      label: 'Sample of the bottle',
      kind: 'number',
      unit: 'mL',
      half: true,
      hint: 'Before it was thinned',
    },
    {
      name: 'gasMl',
      label: 'Gas that it gave',
      kind: 'number',
      unit: 'mL',
      half: true,
      hint: 'With a pinch of yeast, caught over water',
    },
    { name: 'gasC', label: 'Temperature', kind: 'number', unit: '°C', half: true },
    { name: 'pressureHPa', label: 'Air pressure', kind: 'number', unit: 'hPa', half: true },
  ],
  age: [
    { name: 'months', label: 'Since it was made', kind: 'number', unit: 'months', third: true },
    { name: 'openMonths', label: 'Of them open', kind: 'number', unit: 'months', third: true },
    { name: 'storageC', label: 'Where it stands', kind: 'number', unit: '°C', third: true },
  ],
  other: [{ name: 'percentWW', label: 'Strength now', kind: 'number', unit: '% by weight', half: true }],
};

/** Whether a bottle is still as strong as its label: measured, or estimated. */
export function TestForm({ bottle, months }: { bottle: Shelved; months: number }) {
  const [how, setHow] = useState('gas');
  return (
    <>
      {how === 'gas' && (
        <Box mb="4">
          <Cautions cautions={[...cautionsForPeroxide(percentOf(bottle) ?? 0), caution('gas-of-a-sample')]} />
        </Box>
      )}
      <AnswerForm
        fields={[{ name: 'how', label: 'Found', kind: 'choice', options: WAYS }, ...FIELDS[how]!]}
        initial={{
          how: 'gas',
          sampleMl: '5',
          gasMl: '',
          gasC: '20',
          pressureHPa: '1013',
          months: String(Math.round(months)),
          openMonths: String(Math.round(months)),
          storageC: '20',
          percentWW: '',
        }}
        submit="Count with this strength"
        send={(values) => testStrength({ ...values, stockId: bottle.id })}
        done="Noted. Mixtures count with it."
        draftKey={`strength:${bottle.id}`}
      >
        {(form) => (
          <>
            <FieldWatch form={form} name="how" onChange={setHow} />
            {how !== 'other' && (
              <TextLink href="/sums/aged-bottle">How it is worked out: the sum “Old bottle”</TextLink>
            )}
          </>
        )}
      </AnswerForm>
    </>
  );
}
