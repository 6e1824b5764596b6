'use client';

import { CONNECTION_KINDS, JOINTS, type ConnectionKind, type Joint } from '@/core/teardown/joints';
import { AnswerForm } from '@/ui/AnswerForm';
import { addUndone } from './actions';

const KINDS = CONNECTION_KINDS.map((kind) => ({ value: kind, label: JOINTS[kind].title }));
const isConnection = (joint: Joint): joint is ConnectionKind => (CONNECTION_KINDS as readonly Joint[]).includes(joint);

/** A connection with its way round: without that it is not worth writing down. */
export function ConnectionForm({ stepId, joint }: { stepId: string; joint: Joint }) {
  return (
    <AnswerForm
      draftKey={`connection:${stepId}`}
      fields={[
        { name: 'kind', label: 'What was undone', kind: 'choice', options: KINDS },
        {
          name: 'way',
          label: 'Which way round',
          hint: 'Red to the edge, blue upper, bare side of the foil down, bar swings up',
        },
      ]}
      initial={{ kind: isConnection(joint) ? joint : 'plug', way: '' }}
      submit="Write it down"
      done="Connection noted."
      bench
      send={(values) => addUndone({ stepId, ...values })}
    />
  );
}
