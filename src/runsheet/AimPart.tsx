import { Text } from '@chakra-ui/react';
import { AIM_WORDS } from '@/core/intake/aim';
import { needRow } from '@/data/table';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { AimForm } from './AimForm';
import { aimDrawn } from './drawn';

/** How far to go with the machine and what is worth keeping; a piece may have an aim of its own. */
export async function AimPart({ restorationId }: { restorationId: string }) {
  const restoration = await needRow('restorations', restorationId);
  const { id, aim, worthKeeping, owner } = restoration;
  return (
    <Part title={`Aim: ${aim}`} id="aim">
      <Text>{AIM_WORDS[aim]}</Text>
      {worthKeeping && <Text>Worth keeping: {worthKeeping}</Text>}
      <Text>
        {owner ? `It is ${owner}’s machine. ` : 'It is your own machine. '}
        <TextLink href={`/restorations/${id}/owner`}>
          {owner ? 'What may be done without asking' : 'Is it somebody else’s?'}
        </TextLink>{' '}
        <TextLink href={`/restorations/${id}/worth`}>Is it worth it?</TextLink>
      </Text>
      <Fold summary="Change the aim">
        <AimForm restorationId={id} drawn={aimDrawn(restoration)} />
      </Fold>
    </Part>
  );
}
