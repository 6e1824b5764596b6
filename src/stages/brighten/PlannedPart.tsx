'use client';

import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { SCHOOL } from '@/core/exposure/schools';
import { showTime } from '@/core/runsheet/time';
import type { PlannedSession } from '@/data/planned';
import { showSpan, useNow } from '@/ui/clock';
import { LinkButton } from '@/ui/links';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { giveUp } from './actions';

/** The sessions that are planned for a piece: when they open, or that one is open now, or was missed. */
export function PlannedPart({ planned, timeZone }: { planned: readonly PlannedSession[]; timeZone: string }) {
  const { wrong, busy, send } = useSend();
  const now = useNow();
  if (planned.length === 0) return null;
  return (
    <Box as="section" aria-label="Planned sessions" mb="6">
      {planned.map(({ timerId, school, from, to }) => {
        const [opens, closes] = [Date.parse(from), Date.parse(to)];
        const open = now >= opens && now < closes;
        const missed = now >= closes;
        const until = showTime(to, timeZone, 'HH:mm');
        return (
          <Flex
            key={timerId}
            wrap="wrap"
            align="center"
            gap="3"
            borderLeftWidth="10px"
            borderColor={open ? 'amber' : 'lineStrong'}
            pl="4"
            py="2"
            mb="3"
          >
            <Box flex="1 1 320px">
              <Text fontWeight="650">
                {missed ? 'Missed: ' : open ? 'Open now: ' : 'Planned: '}
                {showTime(from, timeZone, 'EEE d MMM yyyy, HH:mm')} to {until}, {SCHOOL[school].title.toLowerCase()}
              </Text>
              <Text color="soft">
                {missed
                  ? 'Its window closed without a start. Take another under Choosing the way.'
                  : open
                    ? `${SCHOOL[school].driver === 'sun' ? 'The sun is on it' : 'It was to run'} until ${until}. The plan below begins now.`
                    : `${now > 0 ? `In ${showSpan(opens - now)}; it rings then. ` : ''}The plan below is laid into it: mixture, dose, turns and the card for the wall.`}
              </Text>
            </Box>
            {!missed && (
              <LinkButton href="#plan" look={open ? 'go' : 'quiet'}>
                {open ? 'Begin it' : 'See its plan'}
              </LinkButton>
            )}
            <Button
              disabled={busy}
              onClick={() =>
                send(
                  () => giveUp(timerId),
                  () => say('Given up. It does not ring any more.'),
                )
              }
            >
              {missed ? 'Take it off' : 'Not then'}
            </Button>
          </Flex>
        );
      })}
      <Wrong words={wrong} />
    </Box>
  );
}
