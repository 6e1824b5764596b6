'use client';

import { Box, Text } from '@chakra-ui/react';
import type { OwnerRequest } from '@/data/rows';
import { TextLink } from '@/ui/links';

/** What the owner has not answered yet; it waits, and says so before anything is begun. */
export function Waiting({
  restorationId,
  owner,
  requests,
}: {
  restorationId: string;
  owner: string;
  requests: readonly OwnerRequest[];
}) {
  return (
    <Box role="status" borderLeftWidth="8px" borderColor="amber" bg="sheet" p="3" mb="6">
      <Text fontWeight="650">Waits for {owner}’s answer</Text>
      {requests.map(({ id, what }) => (
        <Text key={id}>{what}</Text>
      ))}
      <TextLink href={`/restorations/${restorationId}/owner`}>Write the answer down</TextLink>
    </Box>
  );
}
