'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Check, Minus } from 'lucide-react';
import NextLink from 'next/link';
import { STAGE_WORDS, type Stage, type StageState } from '@/core/runsheet/stages';

export interface RunSheetRow {
  stage: Stage;
  state: StageState;
  /** What is on it so far, in words. */
  facts: string;
  /** What the owner has not answered yet. */
  waits: string[];
  minutes: string;
}

/** The nine stages in the order of the work, as one ruled sheet; the first open one is the next. */
export function RunSheet({ restorationId, rows }: { restorationId: string; rows: readonly RunSheetRow[] }) {
  const next = rows.find(({ state }) => state === 'open')?.stage;
  return (
    <Box as="ol" listStyleType="none">
      {rows.map(({ stage, state, facts, waits, minutes }, i) => {
        const isNext = stage === next;
        return (
          <Box as="li" key={stage} borderTopWidth="1px" borderColor="lineStrong" _first={{ borderTopWidth: '0' }}>
            <NextLink href={`/restorations/${restorationId}/${stage}`} {...(!isNext && { prefetch: false })}>
              <Grid
                templateColumns={{ base: '40px 1fr auto', md: '44px 130px 1fr 90px 110px' }}
                gap={{ base: '2', md: '4' }}
                alignItems="center"
                minHeight="60px"
                py="2"
                px={isNext ? '3' : '0'}
                bg={isNext ? 'sheet' : 'transparent'}
                borderLeftWidth={isNext ? '8px' : '0'}
                borderColor="work"
                _hover={{ bg: 'sheet' }}
              >
                <Text fontFamily="mono" fontSize="24px" color={state === 'open' ? 'ink' : 'soft'}>
                  {i + 1}
                </Text>
                <Text
                  fontWeight="650"
                  fontSize="19px"
                  {...(state === 'not needed' && { textDecoration: 'line-through', color: 'soft' })}
                >
                  {STAGE_WORDS[stage].title}
                </Text>
                <Box
                  color="soft"
                  gridColumn={{ base: '2 / 4', md: 'auto' }}
                  gridRow={{ base: '2', md: 'auto' }}
                  fontSize="16px"
                >
                  {facts || (isNext ? STAGE_WORDS[stage].first : STAGE_WORDS[stage].purpose)}
                  {waits.map((what) => (
                    <Text key={what} color="ink" fontWeight="650">
                      Waits for the owner: {what}
                    </Text>
                  ))}
                </Box>
                <Text fontFamily="mono" textAlign="right" fontSize="15px" display={{ base: 'none', md: 'block' }}>
                  {minutes}
                </Text>
                <Flex
                  align="center"
                  justify="end"
                  gap="1"
                  gridColumn={{ base: '3', md: 'auto' }}
                  gridRow={{ base: '1', md: 'auto' }}
                  color={state === 'done' ? 'work' : 'soft'}
                  fontWeight={isNext ? '650' : '400'}
                >
                  {state === 'done' && <Check aria-hidden size={20} />}
                  {state === 'not needed' && <Minus aria-hidden size={20} />}
                  {isNext ? 'next' : state}
                </Flex>
              </Grid>
            </NextLink>
          </Box>
        );
      })}
    </Box>
  );
}
