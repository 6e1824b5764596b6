'use client';

import { Box, Grid } from '@chakra-ui/react';

/** Two columns at a desk, one after the other on a phone. */
export function Wide({ main, side }: { main: React.ReactNode; side: React.ReactNode }) {
  return (
    <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1.7fr) minmax(300px, 1fr)' }} gap={{ base: '2', lg: '10' }}>
      <Box minWidth="0">{main}</Box>
      <Box minWidth="0">{side}</Box>
    </Grid>
  );
}

/** Two halves at a desk, one after the other on a phone. */
export function Halves({ left, right }: { left: React.ReactNode; right: React.ReactNode }) {
  return (
    <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} gap={{ base: '2', lg: '10' }} mt="6">
      <Box minWidth="0">{left}</Box>
      <Box minWidth="0">{right}</Box>
    </Grid>
  );
}
