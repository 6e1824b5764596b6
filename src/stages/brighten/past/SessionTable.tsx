'use client';

import { Text } from '@chakra-ui/react';
import { doseUnit } from '@/core/fade/dose';
import { SCHOOL } from '@/core/session/schools';
import { showMinutes, showTime } from '@/core/runsheet/time';
import type { Measurement, Session, Treatment } from '@/data/rows';
import { DataTable } from '@/ui/DataTable';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { Worked, type WorkedLine } from '@/ui/Worked';
import { SessionRight } from './SessionRight';

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
          {
            title: 'Lasted',
            figure: true,
            cell: ({ actualMin }) => (actualMin === null ? 'runs' : showMinutes(actualMin)),
          },
          {
            title: 'Dose',
            figure: true,
            cell: (session) => (session.dose === null ? '–' : `${session.dose.toFixed(1)} ${unitOf(session)}`),
          },
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
          <Fold key={session.id} summary={`Correct: ${showTime(session.startedAt, timeZone)}`} quiet>
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
