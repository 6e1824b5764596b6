'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { figured } from '@/core/colour/signed';

/** One large figure with its unit and what it is. */
export function Figure({
  value,
  unit,
  label,
  tone,
}: {
  value: string;
  unit?: string;
  label: string;
  tone?: 'work' | 'hazard';
}) {
  return (
    <Box>
      <Text
        fontFamily="mono"
        fontSize={{ base: '30px', md: '36px' }}
        lineHeight="1.1"
        fontVariantNumeric="tabular-nums"
        color={tone ?? 'ink'}
      >
        {value}
        {unit && (
          <Text as="span" fontSize="18px" color="soft">
            {' '}
            {unit}
          </Text>
        )}
      </Text>
      <Text color="soft" fontSize="15px">
        {label}
      </Text>
    </Box>
  );
}

interface EstimateProps {
  median: number;
  low: number;
  high: number;
  unit: string;
  label: string;
  /** Where the estimate comes from. */
  from: string;
  digits?: number;
}

/** An estimate is never one number: its middle, its range and where it comes from. */
export function Estimate({ median, low, high, unit, label, from, digits = 1 }: EstimateProps) {
  const place = (v: number) => (high > 0 ? `${Math.min(100, Math.max(0, (100 * v) / (high * 1.08)))}%` : '0%');
  return (
    <Box>
      <Flex align="baseline" gap="2" wrap="wrap">
        <Text fontFamily="mono" fontSize={{ base: '30px', md: '36px' }} lineHeight="1.1">
          ≈ {figured(median, digits)}
        </Text>
        <Text color="soft">
          {unit && `${unit}, `}between {figured(low, digits)} and {figured(high, digits)}
        </Text>
      </Flex>
      <Box position="relative" height="10px" my="2" bg="line" aria-hidden>
        <Box
          position="absolute"
          top="0"
          bottom="0"
          bg="work"
          opacity={0.45}
          style={{ left: place(low), width: `calc(${place(high)} - ${place(low)})` }}
        />
        <Box position="absolute" top="-3px" bottom="-3px" width="4px" bg="ink" style={{ left: place(median) }} />
      </Box>
      <Text>{label}</Text>
      <Text color="soft" fontSize="15px">
        Estimate, 5 % to 95 %. {from}
      </Text>
    </Box>
  );
}
