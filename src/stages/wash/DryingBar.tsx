'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { showMinutes } from '@/core/runsheet/time';
import { useNow } from '@/ui/clock';

/** How far a piece has dried, as a filling bar. */
export function DryingBar({ label, startedAt, dueAt }: { label: string; startedAt: string; dueAt: string }) {
  const now = useNow();
  const [from, to] = [Date.parse(startedAt), Date.parse(dueAt)];
  const share = now === 0 ? 0 : Math.min(1, Math.max(0, (now - from) / (to - from)));
  return (
    <Box mb="3">
      <Flex justify="space-between" gap="3">
        <Text>{label}</Text>
        <Text fontFamily="mono">{now === 0 ? '––' : share >= 1 ? 'dry by the clock' : `${showMinutes((to - now) / 60_000)} left`}</Text>
      </Flex>
      <Box height="10px" bg="line" aria-hidden>
        <Box height="100%" bg="work" style={{ width: `${100 * share}%` }} />
      </Box>
    </Box>
  );
}
