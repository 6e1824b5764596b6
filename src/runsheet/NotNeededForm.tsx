'use client';

import type { Stage } from '@/core/runsheet/stages';
import { AnswerForm } from '@/ui/AnswerForm';
import { markStage } from './actions';

/** Says why a stage is not needed on this machine. */
export function NotNeededForm({
  restorationId,
  stage,
  onDone,
}: {
  restorationId: string;
  stage: Stage;
  onDone: () => void;
}) {
  return (
    <AnswerForm
      draftKey={`not-needed-${restorationId}-${stage}`}
      fields={[{ name: 'reason', label: 'Because' }]}
      initial={{ reason: '' }}
      submit="Not needed"
      send={(values) => markStage({ restorationId, stage, state: 'not needed', ...values })}
      onDone={onDone}
    />
  );
}
