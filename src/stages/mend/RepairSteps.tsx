'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { cureTime } from '@/core/mending/cure';
import { GLUES, sheetOf, type GlueName } from '@/core/mending/repair/glues';
import { MEND_OUTCOMES, type MendOutcome } from '@/core/mending/repair/ways';
import type { Caution } from '@/core/peroxide/cautions';
import { Refusal } from '@/core/refusal';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { Cautions } from '@/ui/Cautions';
import { Chips } from '@/ui/Chips';
import { useNow } from '@/ui/clock';
import { ClockBar } from '@/ui/ClockBar';
import { Fold } from '@/ui/Fold';
import { TextLink } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { LabelledBox } from '@/ui/LabelledBox';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { answerRepair, tickStep, untickStep } from './actions';

// Come with the repairs that take them.
const FilmsDrawing = dynamic(() => import('./FilmsDrawing').then((part) => part.FilmsDrawing));
const FeetPart = dynamic(() => import('./FeetPart').then((part) => part.FeetPart));

export interface RunningRepair {
  id: string;
  name: string;
  title: string;
  needs: readonly string[];
  check: string;
  clamp: string | null;
  /** What it is done with beside the hands. */
  tool: 'films' | 'feet' | null;
  /** How far what it waits for is, a line each. */
  orders: readonly string[];
  roomC: number | null;
  /** What it is done by: drill, depth, torque, a line each. */
  figures: readonly string[];
  /** The clock of its glue or weights that is over last. */
  cure: { startedAt: string; dueAt: string } | null;
  steps: readonly { words: string; done: boolean; clock: boolean; glue: GlueName | null; caution: Caution | null }[];
}

const OUTCOME_WORDS: Record<MendOutcome, string> = {
  holds: 'It holds',
  'holds, with a flaw': 'It holds, with a flaw',
  'does not hold': 'It does not hold',
};

/** A repair in hand: one step at a time with its caution before it, its clocks, and what came of it. */
export function RepairSteps({
  repair,
  timeZone,
  children,
}: {
  repair: RunningRepair;
  timeZone: string;
  /** What hands do while it cures. */
  children?: React.ReactNode;
}) {
  const { id, name, title, needs, steps, cure, clamp, figures } = repair;
  const now = useNow();
  const { wrong, busy, send } = useSend();
  const [roomC, setRoomC] = useState(repair.roomC === null ? '' : String(repair.roomC));
  const [cureH, setCureH] = useState('');
  const at = steps.findIndex(({ done }) => !done);
  const next = steps[at];
  const undo = (step: number) => send((once) => untickStep(once({ repairId: id, step })));
  const cures = cure !== null && (now === 0 || Date.parse(cure.dueAt) > now);
  return (
    <>
      <Heading as="h2" fontSize="24px">
        {name}
      </Heading>
      <Text mb="2">
        {title}
        {next && `. Have ready: ${needs.join(', ')}`}.
      </Text>
      {next && figures.length > 0 && (
        <Text as="div" fontFamily="mono" fontSize="15px" mb="3">
          {figures.map((line) => (
            <Box key={line}>{line}</Box>
          ))}
        </Text>
      )}
      {repair.orders.length > 0 && (
        <Text mb="2">
          {repair.orders.join(' ')} <TextLink href="/stores/orders">To buy</TextLink>
        </Text>
      )}
      {cures && cure && (
        <Box my="3" maxWidth="560px">
          <ClockBar
            label={
              <>
                <b>Cures</b>, through {showTime(cure.dueAt, timeZone)}
              </>
            }
            startedAt={cure.startedAt}
            dueAt={cure.dueAt}
            over="through"
          />
          <Text mt="2">Nothing wet, warm or heavy on it until then.{clamp && ` Held by: ${clamp}.`}</Text>
        </Box>
      )}
      {next ? <Steps repair={repair} at={at} busy={busy} onUndo={undo} /> : null}
      {next && repair.tool === 'films' && <FilmsDrawing />}
      {next && repair.tool === 'feet' && <FeetPart />}
      {!next && (
        <Fold quiet summary={`All ${steps.length} steps are done`}>
          <Steps repair={repair} at={at} busy={busy} onUndo={undo} />
        </Fold>
      )}
      {next ? (
        <>
          {next.caution && <Cautions cautions={[next.caution]} />}
          {next.glue && (
            <>
              <Flex gap="3" wrap="wrap" mt="3">
                <LabelledBox
                  label="Warmth of the place, °C"
                  inputMode="decimal"
                  figures
                  value={roomC}
                  onChange={(event) => setRoomC(event.target.value)}
                />
                <LabelledBox
                  label="Full cure by its sheet at 20 °C, h (else what is usual)"
                  inputMode="decimal"
                  figures
                  value={cureH}
                  onChange={(event) => setCureH(event.target.value)}
                />
              </Flex>
              <GlueTimes glue={next.glue} roomC={withPoint(roomC)} cureH={withPoint(cureH)} />
            </>
          )}
          <MainAction>
            <Button
              look="go"
              bench
              disabled={busy}
              onClick={() =>
                send((once) =>
                  tickStep(
                    once({
                      ...{ repairId: id, step: at },
                      ...(next.glue && { roomC: withPoint(roomC).trim(), cureH: withPoint(cureH).trim() }),
                    }),
                  ),
                )
              }
            >
              {next.glue ? 'Glued: start its clock' : next.clock ? 'Done: start its clock' : `Step ${at + 1} is done`}
            </Button>
            <TakeThingBack what="repair" id={id} name="this repair">
              It was not begun
            </TakeThingBack>
          </MainAction>
          <Box mt="4">
            <Outcome repair={repair} early />
          </Box>
        </>
      ) : (
        <>
          {cures && children}
          <Outcome repair={repair} early={cures} />
        </>
      )}
      <Wrong words={wrong} />
    </>
  );
}

/** How long it can be moved, when it stands by itself and when it bears, in a place so warm. */
function GlueTimes({ glue, roomC, cureH }: { glue: GlueName; roomC: string; cureH: string }) {
  const actualC = roomC.trim() === '' ? NaN : Number(roomC);
  if (Number.isNaN(actualC)) return null;
  const at = (clock: 'openMin' | 'handlingMin' | 'cureMin') => {
    try {
      return showMinutes(
        Math.max(
          1,
          cureTime({
            ...sheetOf(glue, clock),
            ...(clock === 'cureMin' && Number(cureH) > 0 && { sheetMin: 60 * Number(cureH) }),
            actualC,
          }).cureMin,
        ),
      );
    } catch (error) {
      if (error instanceof Refusal) return null;
      throw error;
    }
  };
  const [open, handling, cure] = [at('openMin'), at('handlingMin'), at('cureMin')];
  const { title, lowestC, highestC } = GLUES[glue];
  return (
    <Text mt="2" aria-live="polite">
      {cure === null
        ? `${title} wants ${lowestC} to ${highestC} °C. Warm or cool the place first.`
        : `At ${actualC} °C: to be moved for ${open}, stands by itself after ${handling}, bears after ${cure}.`}
    </Text>
  );
}

function Steps({
  repair: { steps },
  at,
  busy,
  onUndo,
}: {
  repair: RunningRepair;
  at: number;
  busy: boolean;
  onUndo: (step: number) => void;
}) {
  return (
    <Box as="ol" ps="0" listStyleType="none">
      {steps.map((step, i) => (
        <Flex key={step.words} as="li" gap="3" py="2" borderTopWidth="1px" borderColor="line" align="center">
          <Text fontFamily="mono" fontWeight="650" width="1.6em" flexShrink="0" color={step.done ? 'soft' : 'ink'}>
            {i + 1}
          </Text>
          <Text flex="1" {...(step.done && { color: 'soft' })} fontWeight={i === at ? '650' : '400'}>
            {step.words}
          </Text>
          {step.done && (
            <Button look="bare" disabled={busy} aria-label={`Not done: step ${i + 1}`} onClick={() => onUndo(i)}>
              Not done
            </Button>
          )}
        </Flex>
      ))}
    </Box>
  );
}

/** What came of it; before it is through it can only be said not to hold. */
function Outcome({ repair: { id, check }, early }: { repair: RunningRepair; early: boolean }) {
  const [outcome, setOutcome] = useState<MendOutcome | null>(null);
  const [words, setWords] = useState('');
  const { wrong, busy, send } = useSend();
  const answer = (came: MendOutcome) => send((once) => answerRepair(once({ repairId: id, outcome: came, words })));
  if (early)
    return (
      <>
        <Button look="bare" disabled={busy} onClick={() => answer('does not hold')}>
          It went wrong: it does not hold
        </Button>
        <Wrong words={wrong} />
      </>
    );
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="4" mt="4">
      <Text fontWeight="650" fontSize="20px" mb="2">
        {check}
      </Text>
      <Chips
        label="What came of it"
        of={MEND_OUTCOMES}
        words={OUTCOME_WORDS}
        chosen={outcome}
        onChoose={setOutcome}
        bench
      />
      <LabelledBox label="In a few words" value={words} onChange={(event) => setWords(event.target.value)} />
      <MainAction>
        <Button look="go" bench disabled={busy || outcome === null} onClick={() => outcome && answer(outcome)}>
          Keep what came of it
        </Button>
      </MainAction>
      <Wrong words={wrong} />
    </Box>
  );
}
