'use client';

import { Box, Text } from '@chakra-ui/react';
import type { RemovalStep } from '@/data/rows';
import { PinnedPhoto } from '@/ui/PinnedPhoto';

interface Props {
  step: RemovalStep;
  photoId: string;
  size: { width: number; height: number };
  onPins: (pins: RemovalStep['pins']) => void;
}

/** The photograph of a step; a tap puts a pin where a fastener sat, a tap on a pin takes it away. */
export function PinPhoto({ step: { name, pins }, photoId, size, onPins }: Props) {
  return (
    <Box>
      <PinnedPhoto
        photoId={photoId}
        size={size}
        alt={`${name} as it came off`}
        pins={pins.map((pin, i) => ({ ...pin, mark: String(i + 1), name: `${i + 1}: take this pin away` }))}
        onPlace={(place) => onPins([...pins, place])}
        onPin={(index) => onPins(pins.filter((_, i) => i !== index))}
      />
      <Text color="soft" fontSize="15px" mt="1">
        {pins.length === 0 ? 'Tap where each fastener sat.' : `${pins.length} pins. Tap one to take it away.`}
      </Text>
    </Box>
  );
}
