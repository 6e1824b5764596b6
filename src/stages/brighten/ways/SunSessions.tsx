'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { showTime } from '@/core/runsheet/time';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { planWindow } from '../actions';

interface Props {
  pieceId: string;
  title: string;
  school: string;
  sessions: readonly { from: string; to: string; dose: number }[];
  timeZone: string;
}

/** The sessions that the coming sun allows, each with a bell for its beginning. */
export function SunSessions({ pieceId, title, school, sessions, timeZone }: Props) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Flex as="ol" wrap="wrap" gap="2" mt="2" listStyleType="none" aria-label={`Sessions of ${title}`}>
        {sessions.map(({ from, to, dose }) => {
          const when = `${showTime(from, timeZone, 'EEE d MMM HH:mm')} to ${showTime(to, timeZone, 'HH:mm')}`;
          return (
            <Flex
              as="li"
              key={from}
              align="center"
              gap="3"
              borderWidth="1px"
              borderColor="lineStrong"
              bg="sheet"
              pl="3"
            >
              <Text py="1">
                {when}, {dose.toFixed(1)} UVI·h
              </Text>
              <Button
                disabled={busy}
                aria-label={`Remind me: ${when}`}
                onClick={() =>
                  send(
                    (once) => planWindow(once({ pieceId, school, from, to })),
                    () => say('It rings when the window opens.'),
                  )
                }
              >
                Remind me
              </Button>
            </Flex>
          );
        })}
      </Flex>
      <Wrong words={wrong} />
    </>
  );
}
