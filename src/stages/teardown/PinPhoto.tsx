'use client';

import { Box, Button, Text } from '@chakra-ui/react';
import type { RemovalStep } from '@/data/rows';
import { photoUrl } from '@/ui/photoUrl';

interface Props {
  step: RemovalStep;
  photoId: string;
  size: { width: number; height: number };
  /** Without it the pins are only shown. */
  onPins: (pins: RemovalStep['pins']) => void;
}

/** The photograph of a step; a tap puts a pin where a fastener sat, a tap on a pin takes it away. */
export function PinPhoto({ step, photoId, size, onPins }: Props) {
  const { pins } = step;
  return (
    <Box>
      <Box
        position="relative"
        aspectRatio={`${size.width} / ${size.height}`}
        cursor="crosshair"
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          onPins([...pins, { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height }]);
        }}
      >
        {/* eslint-disable-next-line @next/next/no-img-element */}
        <img src={photoUrl(photoId, 'large')} alt={`${step.name} as it came off`} style={{ width: '100%', height: '100%', display: 'block' }} />
        {pins.map(({ x, y }, i) => (
          <Button
            key={`${x},${y}`}
            aria-label={`Pin ${i + 1}: take it away`}
            position="absolute"
            left={`${100 * x}%`}
            top={`${100 * y}%`}
            transform="translate(-50%, -50%)"
            minWidth="44px"
            height="44px"
            borderRadius="50%"
            bg="amber"
            color="onAmber"
            p="0"
            opacity="0.9"
            onClick={(event) => {
              event.stopPropagation();
              onPins(pins.filter((_, k) => k !== i));
            }}
          >
            {i + 1}
          </Button>
        ))}
      </Box>
      <Text color="soft" fontSize="15px" mt="1">
        {pins.length === 0 ? 'Tap where each fastener sat.' : `${pins.length} pins. Tap one to take it away.`}
      </Text>
    </Box>
  );
}
