'use client';

import { Box, Text } from '@chakra-ui/react';

/** What went wrong at a tap, beside where it was tapped. */
export function Wrong({ words }: { words: readonly string[] }) {
  if (words.length === 0) return null;
  return (
    <Box role="alert" bg="hazardSheet" borderLeftWidth="8px" borderColor="hazard" p="3" my="3">
      {words.map((line) => (
        <Text key={line}>{line}</Text>
      ))}
    </Box>
  );
}
