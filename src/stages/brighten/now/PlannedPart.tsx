'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { SCHOOL } from '@/core/session/schools';
import { SKY_WORDS, type SkyKnown } from '@/core/sun/skyKnown';
import { showTime } from '@/core/runsheet/time';
import type { PlannedSession } from '@/data/planned';
import { showSpan, useNow } from '@/ui/clock';
import { LinkButton } from '@/ui/links';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { Worked } from '@/ui/Worked';
import { giveUpPlanned, planWindow } from '../actions';
import type { TurnedSky } from './skyTurned';

interface Props {
  planned: readonly PlannedSession[];
  turned: TurnedSky | null;
  /** What is known of the sky of each, by the id of its bell; nothing for ways without sun. */
  skies: Partial<Record<string, SkyKnown>>;
  /** The next that can be begun. */
  next: string | null;
  /** Address of the plan of this piece. */
  planHref: string;
  timeZone: string;
  /** The newest measurement says that nothing is to go. */
  settled: boolean;
}

/** The sessions that are planned for a piece: when they open, or that one is open now, or was missed. */
export function PlannedPart({ planned, turned, skies, next, planHref, timeZone, settled }: Props) {
  const { wrong, busy, send } = useSend();
  const now = useNow();
  if (planned.length === 0) return null;
  return (
    <Box as="section" aria-label="Planned sessions" mb="6">
      {planned.map((session) => {
        const { timerId, school, from, to } = session;
        const [opens, closes] = [Date.parse(from), Date.parse(to)];
        const open = now >= opens && now < closes;
        const missed = now >= closes;
        const isNext = timerId === next;
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
                  ? 'Its window closed without a start. Take another under Choose the way.'
                  : open
                    ? `${SCHOOL[school].driver === 'sun' ? 'The sun is on it' : 'It was to run'} until ${until}.`
                    : `${now > 0 ? `In ${showSpan(opens - now)}; it rings then.` : ''}${isNext ? ' Its plan holds mixture, dose, turns and the card for the wall.' : ''}`}
              </Text>
              {!missed && skies[timerId] && <Text color="soft">{SKY_WORDS[skies[timerId]]}</Text>}
              {settled && !missed && (
                <Text mt="2" borderLeftWidth="8px" borderColor="amber" pl="3">
                  By its newest measurement nothing is to go. Drop this session? It rings until you do.
                </Text>
              )}
              {turned?.timerId === timerId && !open && !missed && (
                <Turned planned={session} turned={turned} timeZone={timeZone} />
              )}
            </Box>
            {isNext && !settled && (
              <LinkButton href={`${planHref}&way=${school}`} look={open ? 'go' : 'quiet'}>
                {open ? 'Begin it' : 'See its plan'}
              </LinkButton>
            )}
            <Button
              disabled={busy}
              onClick={() =>
                send(
                  () => giveUpPlanned(timerId),
                  () => say('Given up. It does not ring any more.'),
                )
              }
            >
              {missed ? 'Take it off' : settled ? 'Drop it' : 'Cancel it'}
            </Button>
          </Flex>
        );
      })}
      <Wrong words={wrong} />
    </Box>
  );
}

/** The sky is not any more what it was planned under. */
function Turned({
  planned,
  turned: { dose, better },
  timeZone,
}: {
  planned: PlannedSession;
  turned: TurnedSky;
  timeZone: string;
}) {
  const { wrong, busy, send } = useSend();
  const when = `${showTime(better.from, timeZone, 'EEE d MMM, HH:mm')} to ${showTime(better.to, timeZone, 'HH:mm')}`;
  return (
    <Box borderLeftWidth="8px" borderColor="amber" pl="3" mt="2">
      <Text>
        <b>The sky has turned.</b> By the sky as it stands now this window brings {dose.toFixed(1)} UVI·h; {when} brings{' '}
        {better.dose.toFixed(1)}.
      </Text>
      <Button
        mt="2"
        disabled={busy}
        onClick={() =>
          send(
            (once) =>
              planWindow(
                once({
                  pieceId: planned.pieceId,
                  school: planned.school,
                  from: better.from,
                  to: better.to,
                  inPlaceOf: planned.timerId,
                }),
              ),
            () => say('Moved. It rings when that window opens.'),
          )
        }
      >
        Move it there
      </Button>
      <Wrong words={wrong} />
      <Worked
        lines={[
          {
            what: 'This window',
            how: `Σ UV index of each quarter of an hour under its cloud, past what stands in the way, × what the cover lets through × ¼ h = ${dose.toFixed(1)} UVI·h`,
          },
          {
            what: 'The other',
            how: `the most that as many minutes bring in your hours of the coming two weeks = ${better.dose.toFixed(1)} UVI·h`,
          },
        ]}
        source="UV index after Madronich (2007), cloud after Kasten and Czeplak (1980)."
        sum={{ name: 'sun-dose', title: 'sun dose' }}
      />
    </Box>
  );
}
