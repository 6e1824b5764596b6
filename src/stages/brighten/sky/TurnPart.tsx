'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { turnWords, type TurnPlan } from '@/core/session/turnPlan';
import { showTime } from '@/core/runsheet/time';
import { AnswerForm } from '@/ui/AnswerForm';
import { DataTable } from '@/ui/DataTable';
import { Figure } from '@/ui/figures';
import { Fold } from '@/ui/Fold';
import { useUnits } from '@/ui/units';
import { Worked } from '@/ui/Worked';
import { workOutTurns } from '../actions';
import type { TurnView } from './turnsOf';
import { TurnRing } from './TurnRing';

interface Props {
  pieceId: string;
  timeZone: string;
  /** The window that the plan begins with; without minutes the better part of a day. */
  start: string;
  minutes: number | null;
  cloudPercent: number;
}

/** The turns of a session in the sun, seen from above with the sun's arc, against never turning. */
export function TurnPart({ pieceId, timeZone, start, minutes, cloudPercent }: Props) {
  const [view, setView] = useState<TurnView | null>(null);
  const [at, setAt] = useState(0);
  return (
    <>
      <AnswerForm
        draftKey={`turns:${pieceId}`}
        fields={[
          { name: 'start', label: 'From', kind: 'time', half: true },
          { name: 'durationMin', label: 'For', kind: 'number', unit: 'min', half: true },
          { name: 'turnEveryMin', label: 'Turn every', kind: 'number', unit: 'min', third: true },
          {
            name: 'leanDeg',
            label: 'An edge may be propped up',
            kind: 'number',
            unit: '°',
            third: true,
            hint: '0 in a bag or bath',
          },
          { name: 'cloudPercent', label: 'Cloud', kind: 'number', unit: '% of the sky', third: true },
        ]}
        initial={{
          start,
          durationMin: String(minutes ?? 360),
          turnEveryMin: '30',
          leanDeg: '60',
          cloudPercent: String(cloudPercent),
        }}
        submit="Work out the turns"
        keeps
        send={(values) => workOutTurns({ ...values, pieceId })}
        onDone={(found) => {
          setView(found);
          setAt(0);
        }}
      />
      {view && <Turns view={view} at={at} onTurn={setAt} timeZone={timeZone} />}
    </>
  );
}

const percent = (share: number) => `${Math.round(100 * share)}`;
const faceList = (plan: TurnPlan, doses: TurnPlan['doses']) =>
  plan.faces.map((face) => `${face} ${doses[face].toFixed(1)}`).join(', ');

function Turns({
  view,
  at,
  onTurn,
  timeZone,
}: {
  view: TurnView;
  at: number;
  onTurn: (at: number) => void;
  timeZone: string;
}) {
  const { plan } = view;
  const units = useUnits();
  const turn = plan.turns[Math.min(at, plan.turns.length - 1)]!;
  return (
    <Box aria-live="polite" mt="4">
      <Grid templateColumns={{ base: '1fr', md: '360px minmax(0, 1fr)' }} gap="6" alignItems="start">
        <TurnRing view={view} turn={turn} />
        <Box>
          <Grid templateColumns="1fr 1fr" gap="4" mb="4">
            <Figure
              value={percent(plan.evenness)}
              unit="%"
              label="least to most exposed face, turned like this"
              tone="work"
            />
            <Figure value={percent(plan.neverTurned.evenness)} unit="%" label="the same, never turned" />
          </Grid>
          <Text fontFamily="heading" fontWeight="650" fontSize="22px" lineHeight="1.2">
            {showTime(turn.from, timeZone, 'HH:mm')}: {turnWords(turn, units)}
          </Text>
          <label>
            <Text as="span" color="soft">
              Turn {Math.min(at, plan.turns.length - 1) + 1} of {plan.turns.length}
            </Text>
            <input
              type="range"
              min={0}
              max={plan.turns.length - 1}
              value={at}
              onChange={(event) => onTurn(Number(event.target.value))}
              style={{ width: '100%', minHeight: 44, accentColor: 'var(--chakra-colors-work)' }}
            />
          </label>
          {plan.notes.map((note) => (
            <Text key={note} borderLeftWidth="8px" borderColor="amber" pl="3" my="2">
              {note}
            </Text>
          ))}
          <Text color="soft" fontSize="15px">
            UVI·h on each face: {faceList(plan, plan.doses)}. Never turned: {faceList(plan, plan.neverTurned.doses)}.
          </Text>
        </Box>
      </Grid>
      <Worked
        lines={[
          { what: 'Each face', how: 'beam · max(0, n·s) + diffuse · (1 + cos tilt) / 2, summed over each turn' },
          {
            what: 'Least to most',
            how: `${faceList(plan, plan.doses)}: ${percent(plan.evenness)} %; never turned ${faceList(plan, plan.neverTurned.doses)}: ${percent(plan.neverTurned.evenness)} %`,
          },
          {
            what: 'Headings',
            how: 'eight directions and the edges that may be propped, chosen so that the least face is as near the most as can be',
          },
        ]}
        source="Sun by its position; half of a clear sky’s ultraviolet is diffuse, all of it under cloud."
        sum={{ name: 'turn-plan', title: 'turn plan' }}
      />
      <Fold summary="All turns as a list" quiet>
        <DataTable
          caption="Turns"
          columns={[
            { title: 'From', cell: ({ from }) => showTime(from, timeZone, 'HH:mm'), figure: true },
            { title: 'Until', cell: ({ to }) => showTime(to, timeZone, 'HH:mm'), figure: true },
            { title: 'Lay it', cell: (row) => turnWords(row, units) },
          ]}
          rows={plan.turns}
          rowKey={({ from }) => from}
        />
      </Fold>
    </Box>
  );
}
