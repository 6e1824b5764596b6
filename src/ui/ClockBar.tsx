'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { showMinutes } from '@/core/runsheet/time';
import { useNow } from './clock';

/** How far something has dried or cured, as a filling bar. */
export function ClockBar({
  label,
  startedAt,
  dueAt,
  over,
}: {
  label: React.ReactNode;
  startedAt: string;
  dueAt: string;
  /** What is said once its time is over. */
  over: string;
}) {
  const now = useNow();
  const [from, to] = [Date.parse(startedAt), Date.parse(dueAt)];
  const share = now === 0 ? 0 : Math.min(1, Math.max(0, (now - from) / (to - from)));
  return (
    <>
      <Flex justify="space-between" gap="3">
        <Text>{label}</Text>
        <Text fontFamily="mono">
          {now === 0 ? '––' : share >= 1 ? over : `${showMinutes((to - now) / 60_000)} left`}
        </Text>
      </Flex>
      <Box height="10px" bg="line" aria-hidden>
        <Box height="100%" bg="work" style={{ width: `${100 * share}%` }} />
      </Box>
    </>
  );
}
