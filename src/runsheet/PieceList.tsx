'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import NextLink from 'next/link';
import type { Measurement, Piece } from '@/data/rows';
import { PlasticScale, type ScaleMark } from '@/ui/PlasticScale';
import { Tag } from '@/ui/Tag';

export interface PieceSight {
  piece: Piece;
  first: Measurement | null;
  latest: Measurement | null;
}

/** The marks of a piece on the plastic scale. */
export function marksOf({ piece, first, latest }: PieceSight): ScaleMark[] {
  return [
    ...(piece.hiddenLab ? [{ lab: piece.hiddenLab, label: 'hidden patch', kind: 'hidden' as const }] : []),
    ...(first?.lab && first.id !== latest?.id ? [{ lab: first.lab, label: 'at first', kind: 'earlier' as const }] : []),
    ...(latest?.lab ? [{ lab: latest.lab, label: 'now', kind: 'now' as const }] : []),
  ];
}

/** How far a piece is from its hidden patch, in words. */
export function distanceWords({ latest }: PieceSight): string {
  if (!latest) return 'not measured yet';
  if (latest.deltaE00 === null || latest.deltaB === null) return 'measured without a hidden patch';
  return `ΔE00 ${latest.deltaE00.toFixed(1)}, b* ${latest.deltaB >= 0 ? '+' : '−'}${Math.abs(latest.deltaB).toFixed(1)}: ${latest.verdict ?? ''}`;
}

/** The pieces by their tags, each on the plastic scale. */
export function PieceList({ restorationId, sights }: { restorationId: string; sights: readonly PieceSight[] }) {
  return (
    <Box as="ul" listStyleType="none">
      {sights.map((sight) => {
        const marks = marksOf(sight);
        return (
          <Box as="li" key={sight.piece.id} borderTopWidth="1px" borderColor="line" _hover={{ bg: 'sheet' }}>
            <NextLink href={`/restorations/${restorationId}/pieces/${sight.piece.id}`}>
              <Grid templateColumns="auto 1fr" gap="4" alignItems="center" py="3" minHeight="64px">
                <Tag>{sight.piece.tag}</Tag>
                <Box minWidth="0">
                  <Flex justify="space-between" wrap="wrap" columnGap="3">
                    <Text fontWeight="650">{sight.piece.name}</Text>
                    <Text fontFamily="mono" fontSize="15px">
                      {distanceWords(sight)}
                    </Text>
                  </Flex>
                  {marks.length > 0 && <PlasticScale marks={marks} compact />}
                </Box>
              </Grid>
            </NextLink>
          </Box>
        );
      })}
    </Box>
  );
}
