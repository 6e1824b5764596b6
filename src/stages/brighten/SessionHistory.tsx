'use client';

import { assumed, assumedLine } from '@/core/assumptions/assumptions';
import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import type { Advice } from '@/core/exposure/advice';
import { doseUnit } from '@/core/exposure/dose';
import { SCHOOL } from '@/core/exposure/schools';
import { showMinutes, showTime } from '@/core/runsheet/time';
import type { Measurement, Piece, Session, Treatment } from '@/data/rows';
import { DataTable } from '@/ui/DataTable';
import { Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { Worked, type WorkedLine } from '@/ui/Worked';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { finishTreatment, goOn } from './actions';
import { SessionRight } from './SessionRight';
import { distanceWorking } from './workings';

// The question and its dialog come after the page: nobody ends a treatment in its first half second.
const Confirm = dynamic(() => import('@/ui/Confirm').then((part) => part.Confirm), { ssr: false });

const TITLES: Record<Advice['what'], string> = {
  'go on': 'Go on',
  stop: 'Stop here',
  'even it out': 'Even it out',
  'measure first': 'Measure first',
};

/** What the numbers say: go on or stop, and why. The person decides. */
export function AdviceBox({
  advice,
  latest,
  piece,
  treatment,
  needsMeasuring,
}: {
  advice: Advice;
  latest: Measurement | null;
  piece: Piece;
  treatment: Treatment | null;
  needsMeasuring: boolean;
}) {
  const router = useRouter();
  const measure = `/restorations/${piece.restorationId}/pieces/${piece.id}/measure?stage=brighten`;
  const { wrong, busy, send } = useSend();
  const finish = () =>
    treatment &&
    send(
      () => finishTreatment(treatment.id, advice.why),
      () => {
        say('Brightening of this piece is ended.', { title: 'Undo', act: () => void goOn(treatment.id).then(() => router.refresh()) });
        router.refresh();
      },
    );
  return (
    <Box borderLeftWidth="10px" borderColor="work" bg="sheet" p="4" mb="6">
      <Heading as="h2" fontSize="26px">
        {needsMeasuring ? 'Measure again' : TITLES[advice.what]}
      </Heading>
      <Text my="2">
        {needsMeasuring
          ? 'The last exposure has no measurement after it yet. Rinse and dry the piece, photograph it in the same light with card and hidden patch.'
          : advice.why}
      </Text>
      {!needsMeasuring && advice.what !== 'measure first' && (
        <Worked
          lines={[
            ...(latest ? distanceWorking(latest) : []),
            {
              what: 'Stop',
              how: `ΔE00 to the patch at most ${assumed('matched ΔE00')}; or lighter by L* 2 and less yellow; or less than b* ${assumed('seen b*')} to be gained by a session like the ones before, even at the quick end of the rate`,
            },
            {
              what: 'Even it out',
              how: `it matches but spreads over b* ${assumed('uneven b*')}; or distance − half the spread lies below ${assumed('palest part')}: the palest parts would go past it`,
            },
            assumedLine(['matched ΔE00', 'seen b*', 'uneven b*', 'palest part', 'a measured b*']),
          ]}
          source="What is seen side by side: Sharma, Wu and Dalal (2005) for ΔE00; the limits of the advice are conventions of Kvell."
        />
      )}
      <Flex gap="3" wrap="wrap">
        {advice.what === 'go on' && !needsMeasuring && (
          <LinkButton href="#plan" look="go" bench>
            Plan the next exposure
          </LinkButton>
        )}
        <LinkButton href={measure} look={needsMeasuring || advice.what === 'measure first' ? 'go' : 'quiet'} bench>
          {advice.what === 'measure first' ? 'Measure' : 'Measure again'}
        </LinkButton>
        {treatment && !needsMeasuring && (
          <Confirm
            trigger={
              <Button size={'bench' as never} disabled={busy}>
                End its brightening
              </Button>
            }
            title={`End the brightening of ${piece.tag} ${piece.name}?`}
            yes="End it"
            onYes={() => void finish()}
          >
            {advice.why} The reason goes into the record. A new one can be started later.
          </Confirm>
        )}
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}

interface TableProps {
  sessions: readonly Session[];
  treatments: readonly Treatment[];
  /** What each session came to, by its id. */
  after: Readonly<Record<string, Measurement>>;
  timeZone: string;
  working: readonly WorkedLine[];
}

/** The sessions of a piece so far. */
export function SessionTable({ sessions, treatments, after, timeZone, working }: TableProps) {
  if (sessions.length === 0) return null;
  const schoolOf = (session: Session) => treatments.find(({ id }) => id === session.treatmentId)!.school;
  // Sessions in light and in vapour are not counted in the same unit.
  const unitOf = (session: Session) => doseUnit(SCHOOL[schoolOf(session)]);
  return (
    <Part title="Sessions so far">
      <DataTable
        caption="What really happened"
        rows={sessions}
        rowKey={({ id }) => id}
        columns={[
          { title: 'Started', cell: ({ startedAt }) => showTime(startedAt, timeZone) },
          { title: 'Lasted', figure: true, cell: ({ actualMin }) => (actualMin === null ? 'runs' : showMinutes(actualMin)) },
          { title: 'Dose', figure: true, cell: (session) => (session.dose === null ? '–' : `${session.dose.toFixed(1)} ${unitOf(session)}`) },
          { title: 'Turns', figure: true, cell: ({ turns }) => turns.length },
          { title: 'b* after', figure: true, cell: ({ id }) => after[id]?.lab?.[2].toFixed(1) ?? '–' },
          { title: 'ΔE00 after', figure: true, cell: ({ id }) => after[id]?.deltaE00?.toFixed(1) ?? '–' },
          {
            title: 'Words',
            cell: ({ words }) => (
              // Narrow, a sentence would make the row as high as a phone.
              <Text minWidth="220px">{words}</Text>
            ),
          },
        ]}
      />
      {sessions
        .filter(({ endedAt }) => endedAt !== null)
        .map((session) => (
          <Fold key={session.id} summary={`Put right: ${showTime(session.startedAt, timeZone)}`} quiet>
            <SessionRight session={session} school={schoolOf(session)} timeZone={timeZone} />
          </Fold>
        ))}
      {working.length > 0 && (
        <Worked
          lines={[
            ...working,
            {
              what: 'b* and ΔE00 after',
              how: 'of the measurement that followed the session; its own working stands with its photograph, on the page of the piece',
            },
          ]}
          source="UV index after Madronich (2007), cloud after Kasten and Czeplak (1980); lamps and warmth by the conventions of docs/science.md."
          sum={{ name: 'sun-dose', title: 'sun dose' }}
        />
      )}
    </Part>
  );
}
