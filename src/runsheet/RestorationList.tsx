'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
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

/** Width of a stage and from one to the next, of a strip that is 300 wide. */
const [STAGE, STEP] = [29.8, 33.77];

/** How far the stages are, drawn as one picture. */
const Settled = ({ stages }: { stages: Row['settled'] }) => (
  <svg
    role="img"
    aria-label={`${stages.filter(({ state }) => state !== 'open').length} of ${stages.length} stages settled`}
    viewBox="0 0 300 12"
    preserveAspectRatio="none"
    width="100%"
    height="12"
  >
    {stages.map(({ stage, state }, i) => (
      <rect
        key={stage}
        x={i * STEP}
        width={STAGE}
        height="12"
        fill={`var(--chakra-colors-${state === 'open' ? 'line' : 'work'})`}
        opacity={state === 'not needed' ? 0.45 : 1}
      />
    ))}
  </svg>
);

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
                  <Settled stages={settled} />
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
