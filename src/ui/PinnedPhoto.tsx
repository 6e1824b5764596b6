'use client';

import { Box, Button } from '@chakra-ui/react';
import type { Share } from '@/core/photo/picture';
import { photoUrl } from './photoUrl';

interface Pin extends Share {
  /** What stands on it: a number, as a rule. */
  mark: string;
  /** What a tap on it means, for those who do not see it; begins with the mark. */
  name: string;
  chosen?: boolean;
}

interface Props {
  photoId: string;
  size: { width: number; height: number };
  alt: string;
  pins: readonly Pin[];
  /** A tap beside the pins. */
  onPlace?: (place: Share) => void;
  /** A tap on a pin; without it the pins only show. */
  onPin?: (index: number) => void;
}

const PLACED = { position: 'absolute', transform: 'translate(-50%, -50%)', borderRadius: '50%', p: '0' } as const;
const look = (chosen = false) => (chosen ? { bg: 'work', color: 'onWork' } : { bg: 'amber', color: 'onAmber' });

/** A photograph with numbered pins. */
export function PinnedPhoto({ photoId, size, alt, pins, onPlace, onPin }: Props) {
  return (
    <Box
      position="relative"
      aspectRatio={`${size.width} / ${size.height}`}
      {...(onPlace && {
        cursor: 'crosshair',
        onClick: (event: React.MouseEvent<HTMLElement>) => {
          const box = event.currentTarget.getBoundingClientRect();
          onPlace({ x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
        },
      })}
    >
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={photoUrl(photoId, 'large')} alt={alt} style={{ width: '100%', height: '100%', display: 'block' }} />
      {pins.map(({ x, y, mark, name, chosen }, i) =>
        onPin ? (
          <Button
            key={`${x},${y}`}
            aria-label={name}
            aria-pressed={chosen}
            {...PLACED}
            {...look(chosen)}
            left={`${100 * x}%`}
            top={`${100 * y}%`}
            minWidth="44px"
            height="44px"
            opacity="0.92"
            onClick={(event) => {
              event.stopPropagation();
              onPin(i);
            }}
          >
            {mark}
          </Button>
        ) : (
          <Box
            key={`${x},${y}`}
            {...PLACED}
            {...look(chosen)}
            left={`${100 * x}%`}
            top={`${100 * y}%`}
            width="28px"
            height="28px"
            fontSize="15px"
            textAlign="center"
          >
            {mark}
          </Box>
        ),
      )}
    </Box>
  );
}
