'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import NextLink from 'next/link';
import { STAGE_WORDS, type Stage, type StageState } from '@/core/runsheet/stages';
import { photoUrl } from '@/ui/photoUrl';

interface Row {
  id: string;
  title: string;
  /** What it is, or how it came. */
  under: string;
  settled: { stage: Stage; state: StageState }[];
  photoId: string | null;
}

/** All restorations, each with its newest photograph and how far its nine stages are. */
export function RestorationList({ rows }: { rows: readonly Row[] }) {
  return (
    <Box as="ul" listStyleType="none" mb="9">
      {rows.map(({ id, title, under, settled, photoId }) => {
        const next = settled.find(({ state }) => state === 'open');
        return (
          <Box as="li" key={id} borderTopWidth="1px" borderColor="lineStrong" _hover={{ bg: 'sheet' }}>
            <NextLink prefetch={false} href={`/restorations/${id}`}>
              <Grid templateColumns={{ base: '110px 1fr', md: '170px 1fr 300px' }} gap="4" alignItems="center" py="3">
                {photoId ? (
                  // eslint-disable-next-line @next/next/no-img-element
                  <img
                    src={photoUrl(photoId, 'small')}
                    alt=""
                    style={{ width: '100%', aspectRatio: '4 / 3', objectFit: 'cover' }}
                  />
                ) : (
                  <Box aspectRatio="4 / 3" bg="line" />
                )}
                <Box>
                  <Text fontFamily="heading" fontWeight="650" fontSize="22px">
                    {title}
                  </Text>
                  <Text color="soft" lineClamp={2}>
                    {under}
                  </Text>
                </Box>
                <Box gridColumn={{ base: '1 / 3', md: 'auto' }}>
                  <Flex
                    gap="1"
                    role="img"
                    aria-label={`${settled.filter(({ state }) => state !== 'open').length} of 9 stages settled`}
                  >
                    {settled.map(({ stage, state }) => (
                      <Box
                        key={stage}
                        flex="1"
                        height="12px"
                        bg={state === 'open' ? 'line' : 'work'}
                        opacity={state === 'not needed' ? 0.45 : 1}
                      />
                    ))}
                  </Flex>
                  <Text fontSize="15px" color="soft" mt="1">
                    {next ? `next: ${STAGE_WORDS[next.stage].title.toLowerCase()}` : 'finished'}
                  </Text>
                </Box>
              </Grid>
            </NextLink>
          </Box>
        );
      })}
    </Box>
  );
}
