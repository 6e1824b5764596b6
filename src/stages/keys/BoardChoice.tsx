'use client';

import { Flex } from '@chakra-ui/react';
import { viewHref } from '@/core/runsheet/views';
import { LinkButton } from '@/ui/links';

/** Which keyboard of the machine: only where it has several. */
export function BoardChoice({
  restorationId,
  view,
  boards,
  here,
}: {
  restorationId: string;
  view: string;
  boards: readonly { id: string; name: string }[];
  here: string;
}) {
  if (boards.length < 2) return null;
  return (
    <Flex gap="2" wrap="wrap" mb="3" as="nav" aria-label="Keyboards of this machine">
      {boards.map(({ id, name }) => (
        <LinkButton
          key={id}
          href={`${viewHref(restorationId, 'keys', view)}?board=${id}`}
          look={id === here ? 'go' : 'quiet'}
        >
          {name}
        </LinkButton>
      ))}
    </Flex>
  );
}
