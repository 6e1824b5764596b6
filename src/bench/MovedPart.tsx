'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { showTime } from '@/core/runsheet/time';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { ShownPlan } from './plan';
import { keepOldPlan, readMoved } from './planActions';

/** What changed in the plan and why; it can be taken back. */
export function MovedPart({ number, moved, timeZone }: Pick<ShownPlan, 'number' | 'moved'> & { timeZone: string }) {
  const { wrong, busy, send } = useSend();
  if (!moved) return null;
  const when = (iso: string) => showTime(iso, timeZone, 'EEE d MMM, HH:mm');
  return (
    <Box
      as="section"
      aria-label="The plan was made anew"
      bg="sheet"
      borderLeftWidth="8px"
      borderColor="work"
      p="3"
      mb="5"
    >
      <Flex gap="2" wrap="wrap" align="center">
        <Text role="status" fontWeight="650" flex={{ base: '1 1 100%', md: '1 1 0' }}>
          {moved.words}
        </Text>
        <Button disabled={busy} onClick={() => send((once) => readMoved(once({ number })))}>
          Read
        </Button>
        <Button
          disabled={busy || moved.tasks.length === 0}
          onClick={() =>
            send(
              (once) => keepOldPlan(once({ number })),
              ({ kept, over }) => {
                say(
                  `${kept} pinned to where ${kept === 1 ? 'it' : 'they'} stood.${over > 0 ? ` ${over} cannot: that time is over.` : ''}`,
                );
              },
            )
          }
        >
          Take it back
        </Button>
      </Flex>
      <Wrong words={wrong} />
      {moved.tasks.length > 0 && (
        <Fold summary="What moved" quiet>
          <Box as="ul" listStyleType="none">
            {moved.tasks.map(({ words, from, to }, i) => (
              <Text as="li" key={i}>
                {words}: {when(to)}, it was {when(from)}
              </Text>
            ))}
          </Box>
        </Fold>
      )}
    </Box>
  );
}
