'use client';

import type { Restoration } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { correctMachine } from './actions';
import { CONDITION, PROVENANCE } from './fields';

/** Corrects what is known of the machine; the price stays with the ledger. */
export function MachineForm({ restoration }: { restoration: Restoration }) {
  const { id, title, machine, source, claim, packing, condition } = restoration;
  return (
    <AnswerForm
      draftKey={`machine:${id}`}
      fields={[...PROVENANCE, CONDITION]}
      initial={{ title, machine, source, claim, packing, condition }}
      submit="Save what is known"
      done="Saved."
      keeps
      send={(values) => correctMachine({ restorationId: id, ...values })}
    />
  );
}
