'use client';

import { useRouter } from 'next/navigation';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { open } from './actions';

/** The first thing written down of a machine. */
export function OpenForm({ currency }: { currency: string }) {
  const router = useRouter();
  const fields: readonly FieldDef[] = [
    { name: 'title', label: 'Name you will know it by', hint: 'Goes on every page of its record' },
    { name: 'machine', label: 'What it is', optional: true, hint: 'Make, model, year, serial number' },
    { name: 'source', label: 'Where it came from', optional: true, half: true },
    { name: 'pricePaid', label: 'Price paid', kind: 'number', unit: currency, half: true, optional: true },
    {
      name: 'condition',
      label: 'Condition in words',
      kind: 'long',
      optional: true,
      hint: 'Smell, dirt, rust, leaks, what is broken or missing, what the seller claimed',
    },
  ];
  return (
    <AnswerForm
      fields={fields}
      initial={{ title: '', machine: '', source: '', pricePaid: '', condition: '' }}
      submit="Open restoration"
      send={open}
      done="Restoration opened. Photograph it before anything is touched."
      draftKey="open-restoration"
      onDone={(id) => router.push(`/restorations/${id}/intake`)}
      bench
    />
  );
}
