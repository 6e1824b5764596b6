'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';

/** Work that takes longer than half a second: how far, and a way to stop it. */
export function Working({
  share,
  words,
  onStop,
}: {
  share: number | null;
  words: string;
  onStop?: (() => void) | undefined;
}) {
  const percent = share === null ? undefined : Math.round(100 * share);
  return (
    <Box role="status">
      <Flex align="center" gap="4">
        <Text flex="1">
          {words}
          {percent !== undefined && ` ${percent} %`}
        </Text>
        {onStop && (
          <Button look="quiet" onClick={onStop}>
            Stop
          </Button>
        )}
      </Flex>
      <Box
        height="10px"
        bg="line"
        role="progressbar"
        aria-label={words}
        aria-valuemin={0}
        aria-valuemax={100}
        {...(percent !== undefined && { 'aria-valuenow': percent })}
      >
        <Box height="100%" bg="work" style={{ width: `${percent ?? 30}%` }} />
      </Box>
    </Box>
  );
}
