'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { figured } from '@/core/colour/signed';
import { labToCss } from '@/core/colour/lab';
import { nameOnScale, placeOnScale, scaleGradient } from '@/core/colour/plasticScale';
import type { Lab } from '@/core/colour/types';
import type { ScaleMark } from './scaleMarks';

/** A measured colour as itself. */
export function Swatch({ lab, label, size = 44 }: { lab: Lab; label: string; size?: number }) {
  return (
    <Box
      role="img"
      aria-label={label}
      width={`${size}px`}
      height={`${size}px`}
      flexShrink={0}
      style={{ background: labToCss(lab) }}
      borderWidth="1px"
      borderColor="lineStrong"
    />
  );
}

const percent = (b: number) => `${(100 * placeOnScale(b)).toFixed(1)}%`;

/**
 * The plastic scale from clean bone to aged amber with the piece's colours in their places: the hidden
 * patch as a pointer from above, earlier measurements hollow, the newest as a filled swatch below.
 */
export function PlasticScale({ marks, compact = false }: { marks: readonly ScaleMark[]; compact?: boolean }) {
  const now = marks.find(({ kind }) => kind === 'now');
  const hidden = marks.find(({ kind }) => kind === 'hidden');
  const words = [
    ...marks.map(({ label, lab }) => `${label}: b* ${lab[2].toFixed(1)}, ${nameOnScale(lab[2])}`),
    ...(now && hidden ? [`b* ${figured(now.lab[2] - hidden.lab[2])} between them`] : []),
  ].join('. ');
  return (
    <Box role="img" aria-label={`Plastic scale. ${words}`} py={compact ? '3' : '4'} width="100%">
      <Box
        position="relative"
        height={compact ? '12px' : '18px'}
        style={{ background: scaleGradient() }}
        borderWidth="1px"
        borderColor="lineStrong"
      >
        {hidden && now && (
          <Box
            position="absolute"
            top="100%"
            height="4px"
            bg="ink"
            style={{
              left: percent(Math.min(hidden.lab[2], now.lab[2])),
              width: `${100 * Math.abs(placeOnScale(now.lab[2]) - placeOnScale(hidden.lab[2]))}%`,
            }}
          />
        )}
        {marks.map(({ lab, label, kind }) =>
          kind === 'hidden' ? (
            <Box
              key={label}
              position="absolute"
              bottom="100%"
              transform="translateX(-50%)"
              style={{ left: percent(lab[2]) }}
              borderX="8px solid transparent"
              borderTop="10px solid"
              borderTopColor="work"
            />
          ) : (
            <Box
              key={label}
              position="absolute"
              top="50%"
              transform="translate(-50%, -50%)"
              width={compact ? '16px' : '22px'}
              height={compact ? '24px' : '34px'}
              borderWidth={kind === 'now' ? '3px' : '2px'}
              borderStyle={kind === 'now' ? 'solid' : 'dashed'}
              borderColor="#22282b"
              style={{ left: percent(lab[2]), ...(kind === 'now' && { background: labToCss(lab) }) }}
            />
          ),
        )}
      </Box>
      {!compact && (
        <Flex justify="space-between" fontSize="14px" color="soft" mt="3">
          <Text>clean bone</Text>
          <Text>putty</Text>
          <Text>honey</Text>
          <Text>aged amber</Text>
        </Flex>
      )}
    </Box>
  );
}
