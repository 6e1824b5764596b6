'use client';

import dynamic from 'next/dynamic';
import { Flex } from '@chakra-ui/react';
import { useParams } from 'next/navigation';
import { FaultPage } from '@/ui/FaultPage';
import { Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';

// Every page of a machine has this one with it.
const PutAway = dynamic(() => import('@/runsheet/PutAway').then((part) => part.PutAway));

/** What is kept of one restoration cannot be shown: the others go on, and this one can be put out of the way. */
export default function RestorationError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const { id } = useParams<{ id: string }>();
  return (
    <>
      <FaultPage error={error} reset={reset} />
      <Part title="If it keeps failing">
        <Flex direction="column" gap="4">
          <PutAway restorationId={id} />
          <Flex>
            <LinkButton href="/restorations">All restorations</LinkButton>
          </Flex>
        </Flex>
      </Part>
    </>
  );
}
