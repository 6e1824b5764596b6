'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import type { Timer } from '@/data/rows';
import { showSpan, useNow } from '@/ui/clock';
import { Part } from '@/ui/layout';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { addTurn } from '../actions';

/** What is looked after beside the turns: cream that dries, froth, a bath that grows old. */
export function TendPart({ timers }: { timers: readonly Timer[] }) {
  const now = useNow();
  const { wrong, busy, send } = useSend();
  if (timers.length === 0) return null;
  const tended = (id: string) =>
    send(
      (once) => addTurn(once({ timerId: id })),
      () => say('Noted.'),
    );
  return (
    <Part title="Look after it">
      {timers.map(({ id, atTheBell, nextReminderAt }) => {
        const left = nextReminderAt && now ? Date.parse(nextReminderAt) - now : null;
        const due = left !== null && left <= 0;
        return (
          <Flex
            key={id}
            gap="4"
            wrap="wrap"
            align="center"
            py="2"
            bg={due ? 'amber' : 'transparent'}
            color={due ? 'onAmber' : 'ink'}
            px={due ? '3' : '0'}
          >
            <Text fontFamily="mono" fontSize="26px" minWidth="130px">
              {left === null ? '–' : due ? 'now' : showSpan(left)}
            </Text>
            <Text flex="1" minWidth="220px">
              {atTheBell}
            </Text>
            <Button
              bench
              disabled={busy || !nextReminderAt}
              onClick={() => tended(id)}
              width={{ base: '100%', md: 'auto' }}
            >
              Done
            </Button>
          </Flex>
        );
      })}
      <Wrong words={wrong} />
    </Part>
  );
}
