'use client';

import { Text } from '@chakra-ui/react';
import { AIM_WORDS, AIMS, type Aim } from '@/core/intake/aim';
import type { Restoration } from '@/data/rows';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { aimAt } from './actions';
import { aimDrawn } from './drawn';

/** How far to go with the machine and what is worth keeping; a piece may have an aim of its own. */
export function AimPart({ restoration }: { restoration: Restoration }) {
  const { id, aim, worthKeeping, owner } = restoration;
  return (
    <Part title={`Aim: ${aim}`} id="aim">
      <Text>{AIM_WORDS[aim]}</Text>
      {worthKeeping && <Text>Worth keeping: {worthKeeping}</Text>}
      <Text>
        {owner ? `It is ${owner}’s machine. ` : 'It is your own machine. '}
        <TextLink href={`/restorations/${id}/owner`}>{owner ? 'What may be done without asking' : 'Is it somebody else’s?'}</TextLink>{' '}
        <TextLink href={`/restorations/${id}/worth`}>Is it worth it?</TextLink>
      </Text>
      <Fold summary="Change the aim">
        <AnswerForm
          draftKey={`aim:${id}`}
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
          initial={aimDrawn(restoration)}
          submit="Set the aim"
          done="Aim set. What the findings ask for follows it."
          keeps
          drawnWith={{}}
          send={(values) => aimAt({ restorationId: id, ...values })}
        >
          {(form) => <Text color="soft">{AIM_WORDS[form.watch('aim') as Aim]}</Text>}
        </AnswerForm>
      </Fold>
    </Part>
  );
}
