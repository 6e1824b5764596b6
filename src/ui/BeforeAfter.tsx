'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { ReactCompareSlider, ReactCompareSliderImage } from 'react-compare-slider';
import { photoUrl } from './PhotoStrip';

interface Side {
  photoId: string;
  words: string;
}

/** Two photographs of the same thing under one slider; the arrow keys move it. */
export function BeforeAfter({ before, after }: { before: Side; after: Side }) {
  return (
    <Box>
      <ReactCompareSlider
        itemOne={<ReactCompareSliderImage src={photoUrl(before.photoId, 'large')} alt={`Before: ${before.words}`} />}
        itemTwo={<ReactCompareSliderImage src={photoUrl(after.photoId, 'large')} alt={`After: ${after.words}`} />}
        style={{ width: '100%', aspectRatio: '4 / 3' }}
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
