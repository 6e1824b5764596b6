'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import type { NamedTimer } from '@/data/timers';
import { AnswerForm } from '@/ui/AnswerForm';
import { showSpan, useNow } from '@/ui/clock';
import { EmptyPlace } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { endOwnTimer, startOwnTimer } from './actions';
import { BELL_WORDS, bellOf } from './bell';
import { placeOf } from './places';
import { Fold } from '@/ui/Fold';

interface Props {
  timers: readonly NamedTimer[];
  more: number;
  /** Machines and pieces that a timer may be of. */
  things: readonly { value: string; label: string }[];
}

/** What runs, large enough for a wet glove, and how to start another. */
export function BenchTimers({ timers, more, things }: Props) {
  const now = useNow();
  const { wrong, busy, send } = useSend();
  const [ended, setEnded] = useState<string | null>(null);
  const end = (id: string) => {
    setEnded(id);
    send(
      () => endOwnTimer(id),
      () => say('Ended. It does not ring any more.'),
    );
  };
  return (
    <Box id="timers">
      {timers.length === 0 && (
        <EmptyPlace>Nothing runs. Start a soak, a cure or drying here; exposures start under Brighten.</EmptyPlace>
      )}
      {timers.map((timer) => {
        const { at, kind } = bellOf(timer);
        const due = now > 0 && at <= now;
        const whole = Date.parse(timer.dueAt) - Date.parse(timer.startedAt);
        const share = now === 0 ? 0 : Math.min(1, Math.max(0, (now - Date.parse(timer.startedAt)) / whole));
        return (
          <Box
            key={timer.id}
            role="group"
            aria-label={[timer.label, timer.machine].filter(Boolean).join(', ')}
            borderTopWidth="1px"
            borderColor="lineStrong"
            py="3"
            _first={{ borderTopWidth: '0' }}
          >
            <Grid templateColumns={{ base: '1fr auto', md: '230px 1fr auto' }} gap="3" alignItems="center">
              <Text
                fontFamily="mono"
                fontSize={{ base: '34px', md: '40px' }}
                lineHeight="1"
                whiteSpace="nowrap"
                letterSpacing="-0.06em"
                gridRow={{ base: '1', md: 'auto' }}
                gridColumn={{ base: '2', md: 'auto' }}
                bg={due ? 'amber' : 'transparent'}
                color={due ? 'onAmber' : 'ink'}
                px={due ? '2' : '0'}
              >
                {now === 0 ? '––:––' : showSpan(at - now)}
              </Text>
              <Box gridRow={{ base: '1', md: 'auto' }} gridColumn={{ base: '1', md: 'auto' }}>
                <Text fontWeight="650">{timer.label}</Text>
                {timer.machine && <Text fontSize="15px">{timer.machine}</Text>}
                <Text color="soft">
                  {(due || timer.atTheBell) && BELL_WORDS[kind][due ? 'due' : 'until']}
                  {timer.atTheBell}
                </Text>
              </Box>
              <Flex
                gap="2"
                direction={{ base: 'row', md: 'column' }}
                justify="flex-end"
                gridColumn={{ base: '1 / -1', md: 'auto' }}
              >
                {(timer.sessionId ?? timer.plannedTo) && (
                  <LinkButton href={placeOf(timer)} look={due ? 'go' : 'quiet'} bench>
                    {due ? 'Attend to it' : 'Look'}
                  </LinkButton>
                )}
                {!timer.sessionId && (
                  <Button
                    bench
                    look={due && !timer.plannedTo ? 'go' : 'quiet'}
                    disabled={busy}
                    onClick={() => end(timer.id)}
                  >
                    {timer.plannedTo ? 'Cancel it' : 'End'}
                  </Button>
                )}
              </Flex>
            </Grid>
            {ended === timer.id && <Wrong words={wrong} />}
            <Box height="8px" bg="line" mt="2" aria-hidden>
              <Box height="100%" bg={due ? 'amber' : 'work'} style={{ width: `${100 * share}%` }} />
            </Box>
          </Box>
        );
      })}
      {more > 0 && (
        <Text py="3">
          <TextLink href="/?bells=all#timers">{`${more} more ring later: show all`}</TextLink>
        </Text>
      )}
      <Fold summary="Start a soak, a cure or drying">
        <AnswerForm
          fields={[
            { name: 'label', label: 'What runs', half: true },
            { name: 'minutes', label: 'For', kind: 'number', unit: 'min', half: true },
            {
              name: 'of',
              label: 'Of',
              kind: 'choice',
              options: [{ value: '', label: 'no machine' }, ...things],
              hint: 'The case is not closed over what still cures',
            },
            { name: 'atTheBell', label: 'What to do at the bell', optional: true },
          ]}
          initial={{ label: '', minutes: '', of: '', atTheBell: '' }}
          submit="Start timer"
          send={startOwnTimer}
          done="Timer started."
          draftKey="timer"
        />
      </Fold>
    </Box>
  );
}
