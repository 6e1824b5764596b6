'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import NextLink from 'next/link';
import type { Measurement, Piece } from '@/data/rows';
import { Swatch } from '@/ui/PlasticScale';
import { Tag } from '@/ui/Tag';
import { distanceWords } from './distance';

interface Row {
  piece: Piece;
  latest: Measurement | null;
  running: boolean;
}

/** The pieces in a row; the chosen one is worked on below. */
export function PieceChoice({ here: view, chosen, rows }: { here: string; chosen: string; rows: readonly Row[] }) {
  return (
    <Flex as="nav" aria-label="Pieces" gap="2" wrap={{ base: 'nowrap', md: 'wrap' }} overflowX="auto" mb="5">
      {rows.map(({ piece, latest, running }) => {
        const here = piece.id === chosen;
        return (
          <NextLink
            key={piece.id}
            href={`${view}?piece=${piece.id}`}
            prefetch={false}
            aria-current={here ? 'true' : undefined}
          >
            <Flex
              align="center"
              gap="3"
              minHeight="56px"
              minWidth={{ base: '240px', md: '0' }}
              height="100%"
              px="3"
              borderWidth={here ? '3px' : '1px'}
              borderColor={here ? 'work' : 'lineStrong'}
              bg={here ? 'sheet' : 'transparent'}
            >
              <Tag>{piece.tag}</Tag>
              {latest?.lab && <Swatch lab={latest.lab} label="Colour as last measured" size={28} />}
              <Box>
                <Text fontWeight="650" lineHeight="1.2">
                  {piece.name}
                </Text>
                <Text fontSize="15px" color="soft" lineHeight="1.2">
                  {running ? 'in the light' : distanceWords(latest)}
                </Text>
              </Box>
            </Flex>
          </NextLink>
        );
      })}
    </Flex>
  );
}
