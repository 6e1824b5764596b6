'use client';

import { Box } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import type { Share } from '@/core/picture/picture';
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

const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A photograph with numbered pins. */
export function PinnedPhoto({ photoId, size, alt, pins, onPlace, onPin }: Props) {
  // With the keyboard a cross is moved over the picture, and set down as a pin.
  const [cross, setCross] = useState<Share | null>(null);
  const onKey = (event: React.KeyboardEvent) => {
    if (event.target !== event.currentTarget || !onPlace) return;
    const at = cross ?? { x: 0.5, y: 0.5 };
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      return onPlace(at);
    }
    const move = MOVES[event.key];
    if (!move) return;
    event.preventDefault();
    const by = event.shiftKey ? 0.1 : 0.02;
    const within = (value: number) => Math.max(0, Math.min(1, value));
    setCross({ x: within(at.x + by * move[0]), y: within(at.y + by * move[1]) });
  };
  return (
    <Box
      position="relative"
      aspectRatio={`${size.width} / ${size.height}`}
      {...(onPlace && {
        cursor: 'crosshair',
        role: 'application',
        tabIndex: 0,
        'aria-label': `${alt}. Arrow keys move a cross over it, Enter sets a pin there.`,
        onKeyDown: onKey,
        onFocus: (event: React.FocusEvent) =>
          event.target === event.currentTarget &&
          event.target.matches(':focus-visible') &&
          setCross({ x: 0.5, y: 0.5 }),
        onBlur: () => setCross(null),
        onClick: (event: React.MouseEvent<HTMLElement>) => {
          const box = event.currentTarget.getBoundingClientRect();
          onPlace({ x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
        },
      })}
    >
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={photoUrl(photoId, 'large')} alt={alt} style={{ width: '100%', height: '100%', display: 'block' }} />
      {cross && (
        <Box
          {...PLACED}
          aria-hidden
          left={`${100 * cross.x}%`}
          top={`${100 * cross.y}%`}
          width="34px"
          height="34px"
          borderWidth="4px"
          borderColor="work"
          pointerEvents="none"
        />
      )}
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
