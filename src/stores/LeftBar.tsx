import { Box, Text } from '@chakra-ui/react';

/** How full a bottle is: a bar, with the amount in words beside it. */
export function LeftBar({ left, size, words }: { left: number | null; size: number | null; words: string }) {
  if (left === null) return <Text as="span">–</Text>;
  const share = size ? Math.min(1, left / size) : null;
  return (
    <Box minWidth="120px">
      <Text as="span" whiteSpace="nowrap">
        {words}
      </Text>
      {share !== null && (
        <Box height="8px" bg="line" mt="1" aria-hidden>
          <Box height="100%" bg={share < 0.2 ? 'amber' : 'work'} style={{ width: `${100 * share}%` }} />
        </Box>
      )}
    </Box>
  );
}
