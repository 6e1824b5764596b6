'use client';

import { Box } from '@chakra-ui/react';

/** The tag of a piece as it stands on its strip of masking tape. */
export function Tag({ children, large = false }: { children: React.ReactNode; large?: boolean }) {
  return (
    <Box
      as="span"
      display="inline-block"
      bg="tape"
      color="onTape"
      fontFamily="mono"
      fontSize={large ? '26px' : '18px'}
      lineHeight="1.25"
      px={large ? '4' : '3'}
      py="0.5"
      transform="rotate(-1.2deg)"
      clipPath="polygon(0 10%, 3% 0, 34% 4%, 100% 2%, 97% 48%, 100% 96%, 60% 100%, 2% 97%)"
      whiteSpace="nowrap"
    >
      {children}
    </Box>
  );
}
