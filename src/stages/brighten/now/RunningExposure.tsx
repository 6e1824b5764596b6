'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { HOTTEST_BATH_C } from '@/core/fade/dose';
import type { Warmth } from '@/core/session/warmth';
import { showTime, toLocalField } from '@/core/runsheet/time';
import { turnWords, type Turn } from '@/core/session/turnPlan';
import type { Piece, Session, Timer } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Cautions } from '@/ui/Cautions';
import { showSpan, useNow } from '@/ui/clock';
import { Part } from '@/ui/layout';
import { Fold } from '@/ui/Fold';
import { FollowClock } from '@/ui/FollowClock';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { useUnits } from '@/ui/units';
import { SCHOOL, type SchoolId } from '@/core/session/schools';
import { endSession, addTurn, addTurnAndCoat } from '../actions';
import { CoatPart } from './CoatPart';
import { SessionRight } from '../past/SessionRight';
import { TendPart } from './TendPart';
import { WarmthPart } from './WarmthPart';

interface Props {
  piece: Piece;
  session: Session;
  timer: Timer | null;
  /** Timers of what is looked after beside the turns. */
  tending: readonly Timer[];
  /** How warm it gets in the sun; `null` where no sun warms it. */
  warmth: Warmth | null;
  timeZone: string;
  /** Which way to point it, turn by turn; empty where the sun does not drive it. */
  turns: readonly Turn[];
  school: SchoolId;
  /** Tags of the others that lie in it. */
  beside: readonly string[];
  /** Cream of one coat over all of it, mL. */
  coatMl: number;
  /** The server's time when the page was made. */
  at: string;
}

/** An exposure that runs: what is left, when to turn, what to do at the bell, and how it really ended. */
export function RunningExposure({
  piece,
  session,
  timer,
  tending,
  warmth,
  timeZone,
  turns,
  school,
  beside,
  coatMl,
  at,
}: Props) {
  const units = useUnits();
  const now = useNow();
  const { recoat = false } = SCHOOL[school];
  const left = timer && now ? Date.parse(timer.dueAt) - now : null;
  const nextTurn = timer?.nextReminderAt && now ? Date.parse(timer.nextReminderAt) - now : null;
  const pointed = now ? turns.find(({ to }) => Date.parse(to) > now) : undefined;
  const next = pointed && turns[turns.indexOf(pointed) + 1];
  const { wrong, busy, send } = useSend();
  const turn = (withCoat: boolean) =>
    timer &&
    send(
      (once) =>
        withCoat
          ? addTurnAndCoat(once({ timerId: timer.id, sessionId: session.id, amountMl: coatMl }))
          : addTurn(once({ timerId: timer.id })),
      () => say(withCoat ? 'Turn and coat noted.' : 'Turn noted.'),
    );
  return (
    <>
      <Part
        title={
          beside.length === 0
            ? `${piece.tag} is in the light`
            : `${[piece.tag, ...beside].join(', ')} are in the light together`
        }
      >
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="6" alignItems="end">
          <Box
            bg={left !== null && left <= 0 ? 'amber' : 'transparent'}
            color={left !== null && left <= 0 ? 'onAmber' : 'ink'}
            p={left !== null && left <= 0 ? '3' : '0'}
          >
            <Text
              fontFamily="mono"
              fontSize={{ base: '52px', md: '68px' }}
              lineHeight="1"
              role="timer"
              aria-label="Time left"
            >
              {left === null ? '–' : showSpan(left)}
            </Text>
            <Text>
              {left !== null && left <= 0
                ? 'over. Wash it off, then end the exposure below.'
                : `left of ${session.plannedMin} min, since ${showTime(session.startedAt, timeZone, 'HH:mm')}`}
            </Text>
          </Box>
          <Box>
            <Text fontFamily="mono" fontSize="34px" lineHeight="1.1">
              {nextTurn === null ? '–' : `${nextTurn <= 0 ? 'now, ' : ''}${showSpan(nextTurn)}`}
            </Text>
            <Text mb="3">
              {nextTurn === null ? 'No turn rings before its end' : 'until the next turn'}: {timer?.atTheBell}{' '}
              {session.turns.length} so far.
            </Text>
            <Flex gap="2" wrap="wrap">
              <Button
                look="go"
                bench
                onClick={() => turn(recoat)}
                disabled={busy || !timer}
                width={{ base: '100%', md: 'auto' }}
              >
                {recoat ? 'Turned, fresh coat on' : 'Turn done'}
              </Button>
              {recoat && (
                <Button bench disabled={busy || !timer} onClick={() => turn(false)}>
                  Turned only
                </Button>
              )}
            </Flex>
            <Wrong words={wrong} />
          </Box>
        </Grid>
      </Part>
      {pointed && (
        <Part title="Point it now">
          <Text fontFamily="heading" fontWeight="650" fontSize="26px" lineHeight="1.2">
            {turnWords(pointed, units)}
          </Text>
          {next && (
            <Text color="soft">
              From {showTime(next.from, timeZone, 'HH:mm')}: {turnWords(next, units)}
            </Text>
          )}
        </Part>
      )}
      <TendPart timers={tending} />
      {SCHOOL[school].medium === 'cream' && <CoatPart session={session} usualMl={coatMl} />}
      <WarmthPart session={session} warmth={warmth} limitC={HOTTEST_BATH_C} timeZone={timeZone} />
      <Cautions cautions={session.cautions} />
      <Box height="8" />
      <Part title="End it with what really happened">
        <AnswerForm
          key={session.id}
          fields={[
            { name: 'endedAt', label: 'Ended at', kind: 'time', half: true },
            { name: 'cloudPercent', label: 'Cloud on the whole', kind: 'number', unit: '% of the sky', half: true },
            { name: 'temperatureC', label: 'Temperature on the whole', kind: 'number', unit: '°C', half: true },
            {
              name: 'words',
              label: 'What happened',
              kind: 'long',
              optional: true,
              hint: 'Film wrinkled, dried out, came in early',
            },
          ]}
          initial={{
            endedAt: toLocalField(at, timeZone),
            cloudPercent: String(Math.round(100 * session.cloudFraction)),
            temperatureC: String(session.temperatureC),
            words: '',
          }}
          submit="Wash off and end exposure"
          send={(values) => endSession({ ...values, sessionId: session.id })}
          done="Exposure ended. Rinse well, dry it, then measure again."
          draftKey={`end-${session.id}`}
          bench
        >
          {(form) => <FollowClock form={form} name="endedAt" timeZone={timeZone} />}
        </AnswerForm>
        <Fold summary="It began at another time, or never">
          <SessionRight session={session} school={school} timeZone={timeZone} />
        </Fold>
      </Part>
    </>
  );
}
