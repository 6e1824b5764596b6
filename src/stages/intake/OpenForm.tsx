'use client';

import { useRouter } from 'next/navigation';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { openMachine } from './actions';
import { CONDITION, PROVENANCE } from './fields';

/** The first thing written down of a machine. */
export function OpenForm({ currency }: { currency: string }) {
  const router = useRouter();
  const price: FieldDef = {
    name: 'pricePaid',
    label: 'Price paid',
    kind: 'number',
    unit: currency,
    half: true,
    optional: true,
  };
  return (
    <AnswerForm
      fields={[...PROVENANCE, price, CONDITION]}
      initial={{ title: '', machine: '', source: '', claim: '', packing: '', pricePaid: '', condition: '' }}
      submit="Open restoration"
      send={openMachine}
      done="Restoration opened. Photograph it before anything is touched."
      draftKey="open-restoration"
      onDone={(id) => router.push(`/restorations/${id}/intake`)}
      bench
    />
  );
}
