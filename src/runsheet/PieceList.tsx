'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import NextLink from 'next/link';
import { PlasticScale } from '@/ui/PlasticScale';
import { Tag } from '@/ui/Tag';
import { distanceWords, marksOf, type PieceSight } from './marks';

/** The pieces by their tags, each on the plastic scale. */
export function PieceList({ restorationId, sights }: { restorationId: string; sights: readonly PieceSight[] }) {
  return (
    <Box as="ul" listStyleType="none">
      {sights.map((sight) => {
        const marks = marksOf(sight);
        return (
          <Box
            as="li"
            key={sight.piece.id}
            borderTopWidth="1px"
            borderColor="line"
            _hover={{ bg: 'sheet' }}
            _first={{ borderTopWidth: '0' }}
          >
            <NextLink prefetch={false} href={`/restorations/${restorationId}/pieces/${sight.piece.id}`}>
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
