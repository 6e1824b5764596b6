'use client';

import { Box, Text } from '@chakra-ui/react';
import type { RemovalStep } from '@/data/rows';

/** Steps that wait for each other: there is no way back until one block of the ring is taken away. */
export function Circles({
  steps,
  circles,
}: {
  steps: readonly RemovalStep[];
  circles: readonly (readonly string[])[];
}) {
  const nameOf = (id: string) => steps.find((step) => step.id === id)?.name ?? '';
  return (
    <Box role="alert" bg="hazardSheet" borderLeftWidth="8px" borderColor="hazard" p="4" mb="4">
      <Text fontWeight="650">
        These wait for each other, so there is no way back yet. Take one block of the ring away under Teardown.
      </Text>
      {circles.map((circle) => (
        <Text key={circle.join()}>{[...circle, circle[0]!].map(nameOf).join(' → ')}</Text>
      ))}
    </Box>
  );
}
