'use client';

import type { Restoration } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { correctMachine } from './actions';
import { machineDrawn } from './drawn';
import { CONDITION, PROVENANCE } from './fields';

/** Corrects what is known of the machine; the price stays with the ledger. */
export function MachineForm({ restoration }: { restoration: Restoration }) {
  const { id } = restoration;
  return (
    <AnswerForm
      draftKey={`machine:${id}`}
      fields={[...PROVENANCE, CONDITION]}
      initial={machineDrawn(restoration)}
      submit="Save what is known"
      done="Saved."
      keeps
      drawnWith={{}}
      send={(values) => correctMachine({ restorationId: id, ...values })}
    />
  );
}
