'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { photoUrl } from './photoUrl';

const CompareSlider = dynamic(() => import('./CompareSlider').then((part) => part.CompareSlider), {
  loading: () => <Box aspectRatio="4 / 3" bg="line" />,
});

interface Side {
  photoId: string;
  words: string;
}

/** Two photographs of the same thing under one slider; the arrow keys move it. */
export function BeforeAfter({ before, after }: { before: Side; after: Side }) {
  return (
    // Both pictures are seen whole, whatever the screen.
    <Box maxWidth="calc(70dvh * 4 / 3)">
      <CompareSlider
        before={{ src: photoUrl(before.photoId, 'large'), alt: `Before: ${before.words}` }}
        after={{ src: photoUrl(after.photoId, 'large'), alt: `After: ${after.words}` }}
      />
      <Flex justify="space-between" mt="1" gap="3">
        <Text fontSize="15px">{before.words}</Text>
        <Text fontSize="15px" textAlign="right">
          {after.words}
        </Text>
      </Flex>
    </Box>
  );
}
