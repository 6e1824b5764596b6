'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { COULD_NOT } from '@/core/schedule/runs';
import { Button } from '@/ui/Button';
import { showSpan, useNow } from '@/ui/clock';
import { LinkButton } from '@/ui/links';
import { Tag } from '@/ui/Tag';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { ShownTask } from './plan';
import { beginTask, endTask } from './planActions';

const MINUTE_MS = 60_000;

interface Props {
  now: ShownTask;
  next: readonly ShownTask[];
  timeZone: string;
  /** The time on the server: what is still to come is told by it. */
  at: string;
}

/** What hands do now: one task at a time, with how it ends; and what comes after it. */
export function NowPart({ now: task, next, timeZone, at }: Props) {
  const now = useNow();
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const [asking, setAsking] = useState(false);
  const minutes = (Date.parse(task.to) - Date.parse(task.from)) / MINUTE_MS;
  const waits = task.begunAt === null && Date.parse(task.from) > Date.parse(at) + 5 * MINUTE_MS;
  const end = (outcome: string, why: string | null, putOffMin: number, words: string) =>
    send(
      (once) => endTask(once({ task: task.id, outcome, why, putOffMin })),
      () => {
        setAsking(false);
        say(words);
      },
    );
  return (
    <Box>
      <Text fontWeight="650" fontSize={{ base: '22px', md: '26px' }} lineHeight="1.2">
        {task.tag && (
          <>
            <Tag>{task.tag}</Tag>{' '}
          </>
        )}
        {task.words}
      </Text>
      <Text color="soft" mb="3">
        {[
          task.title,
          `about ${showMinutes(minutes)}`,
          task.who,
          waits ? `from ${showTime(task.from, timeZone, 'EEEE HH:mm')} by the plan` : null,
        ]
          .filter(Boolean)
          .join(', ')}
      </Text>
      {task.begunAt !== null && (
        <Text fontFamily="mono" fontSize="30px" lineHeight="1" mb="3" aria-label="Since it was begun">
          {now === 0 ? '––:––' : showSpan(now - Date.parse(task.begunAt))}
        </Text>
      )}
      <Flex gap="3" wrap="wrap" mb="3">
        {task.begunAt === null ? (
          <Button
            look="go"
            bench
            disabled={busy}
            data-main-action
            onClick={() =>
              send(
                (once) => beginTask(once({ task: task.id })),
                () => task.href && router.push(task.href),
              )
            }
          >
            Begin
          </Button>
        ) : (
          <Button
            look="go"
            bench
            disabled={busy}
            data-main-action
            onClick={() => end('done', null, 0, 'Done, with its minutes.')}
          >
            Done
          </Button>
        )}
        {task.begunAt !== null && (
          <Button bench disabled={busy} onClick={() => end('not yet', null, 30, 'Put off by half an hour.')}>
            Not yet
          </Button>
        )}
        <Button bench disabled={busy} aria-expanded={asking} onClick={() => setAsking(!asking)}>
          Could not
        </Button>
        {task.href && (
          <LinkButton href={task.href} bench>
            Go to it
          </LinkButton>
        )}
      </Flex>
      {asking && (
        <Flex gap="2" wrap="wrap" mb="3" role="group" aria-label="Why could it not be done?">
          {COULD_NOT.map((why) => (
            <Button
              key={why}
              disabled={busy}
              onClick={() =>
                end('could not', why, why === 'no time' ? 120 : 24 * 60, 'Put off; the plan goes round it.')
              }
            >
              {why}
            </Button>
          ))}
        </Flex>
      )}
      <Wrong words={wrong} />
      {next.length > 0 && (
        <Box as="ol" listStyleType="none" aria-label="Next">
          {next.map(({ id, words, title, tag, from, href }) => (
            <Flex as="li" key={id} gap="3" borderTopWidth="1px" borderColor="line" py="2" align="baseline">
              <Text fontFamily="mono" minWidth="5ch" flexShrink="0">
                {showTime(from, timeZone, sameDay(from, at, timeZone) ? 'HH:mm' : 'EEE')}
              </Text>
              <Box minWidth="0">
                {tag && (
                  <>
                    <Tag>{tag}</Tag>{' '}
                  </>
                )}
                {href ? (
                  <a href={href} style={{ textDecoration: 'underline', textUnderlineOffset: 3 }}>
                    {words}
                  </a>
                ) : (
                  words
                )}
                <Text as="span" color="soft">
                  {title && `, ${title}`}
                </Text>
              </Box>
            </Flex>
          ))}
        </Box>
      )}
    </Box>
  );
}

const sameDay = (a: string, b: string, timeZone: string): boolean =>
  showTime(a, timeZone, 'yyyy-MM-dd') === showTime(b, timeZone, 'yyyy-MM-dd');
