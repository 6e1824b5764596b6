'use client';

import { Text } from '@chakra-ui/react';
import { AIM_WORDS, AIMS, type Aim } from '@/core/intake/aim';
import { AnswerForm, options, type Values } from '@/ui/AnswerForm';
import { setAimOf } from './actions';

/** Sets the aim of a restoration. */
export function AimForm({ restorationId, drawn }: { restorationId: string; drawn: Values }) {
  return (
    <AnswerForm
      draftKey={`aim:${restorationId}`}
      fields={[
        { name: 'aim', label: 'How far to go', kind: 'choice', options: options(AIMS) },
        {
          name: 'worthKeeping',
          label: 'Worth keeping',
          kind: 'long',
          optional: true,
          hint: 'Stickers, engravings, a repair that tells its history',
        },
      ]}
      initial={drawn}
      submit="Set the aim"
      done="Aim set. What the findings ask for follows it."
      keeps
      drawnWith={{}}
      send={(values) => setAimOf({ restorationId, ...values })}
    >
      {(form) => <Text color="soft">{AIM_WORDS[form.watch('aim') as Aim]}</Text>}
    </AnswerForm>
  );
}
