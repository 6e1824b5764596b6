'use client';

import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import type { TubRow } from '@/data/rows';
import type { Shelved } from '@/data/stock';
import { BathPart } from './BathPart';
import type { BathView } from './bathView';
import { CleanPart } from './CleanPart';
import { DryingBar } from './DryingBar';
import { EmptyPlace, Part } from '@/ui/layout';
import { useWakeLock } from '@/ui/useWakeLock';
import { LadderPart } from './LadderPart';
import { SinkCard } from './SinkCard';
import { TubPart, type LoadView } from './TubPart';
import { UsedPart } from './UsedPart';
import type { PassView, SpotView } from './view';

interface Props {
  restorationId: string;
  bath: BathView;
  running: readonly PassView[];
  next: readonly PassView[];
  spots: readonly SpotView[];
  drying: readonly { id: string; label: string; startedAt: string; dueAt: string }[];
  loads: readonly LoadView[];
  bottles: readonly Shelved[];
  pieces: readonly { id: string; tag: string; name: string; measured: number }[];
  tubs: readonly TubRow[];
}

const isSome = (bottles: readonly Shelved[]): bottles is readonly [Shelved, ...Shelved[]] => bottles.length > 0;

/** At the sink: what runs or comes next, large; then every ladder, what dries, and what can share a bath. */
export function WashBench({ restorationId, bath, running, next, spots, drying, loads, tubs, pieces, bottles }: Props) {
  useWakeLock();
  const [taken, setTaken] = useState<PassView | null>(null);
  const all = [...running, ...next];
  const [chosen, setChosen] = useState<string | null>(null);
  const top = useRef<HTMLDivElement>(null);
  /** Another pass stands where the hand looks first, on a phone too. */
  const choose = (pass: PassView) => {
    setChosen(keyOf(pass));
    top.current?.scrollIntoView({ block: 'start' });
  };
  /** A rung that somebody takes by hand stands at the sink as any other. */
  const byHand = (pass: PassView) => {
    setTaken(pass);
    choose(pass);
  };
  const keyOf = (pass: PassView) => `${pass.place}:${pass.agent}`;
  const shown = all.find((pass) => keyOf(pass) === chosen) ?? (taken && keyOf(taken) === chosen ? taken : all[0]);
  const open = spots.filter(({ settled }) => settled === null);
  const unnamed = open.filter(({ soil }) => soil === null);
  return (
    <>
      <div ref={top} style={{ scrollMarginTop: 80 }} />
      <BathPart restorationId={restorationId} bath={bath} />
      <Part title={running.length > 0 ? 'At the sink' : 'Next at the sink'} id="sink">
        {shown ? (
          <SinkCard key={keyOf(shown)} pass={shown} restorationId={restorationId} />
        ) : (
          <EmptyPlace>
            {spots.length === 0
              ? 'No finding asks for the wash. Pin what is soiled, scuffed, stained or inked on the photographs of intake, or add it below.'
              : unnamed.length > 0
                ? 'Say below what each spot is, and its ladder stands.'
                : open.length > 0
                  ? 'Every ladder is at its end. Leave what is left, with its reason.'
                  : 'Everything that asked for the wash is settled.'}
          </EmptyPlace>
        )}
        {all.length > 1 && (
          <Flex role="group" aria-label="Other passes" gap="2" wrap="wrap" mt="5">
            {all
              .filter((pass) => pass !== shown)
              .map((pass) => (
                <Button key={keyOf(pass)} onClick={() => choose(pass)} whiteSpace="normal" height="auto" py="2" textAlign="start">
                  {pass.spots.some(({ stepId }) => stepId !== null) && 'runs: '}
                  {pass.title} on {pass.place}
                </Button>
              ))}
          </Flex>
        )}
      </Part>
      {drying.length > 0 && (
        <Part title="Drying" id="drying">
          {drying.map((piece) => (
            <DryingBar key={piece.id} {...piece} />
          ))}
          <Text color="soft" fontSize="15px">
            Estimate for a room of 20 °C and half humidity; warmer, drier and moving air is quicker. Metal and boards wait until then.
          </Text>
        </Part>
      )}
      {spots.length > 0 && (
        <Part title="The ladders, gentlest first" id="ladders">
          {[...unnamed, ...open.filter(({ soil }) => soil !== null), ...spots.filter(({ settled }) => settled !== null)].map((spot) => (
            <LadderPart key={spot.id} spot={spot} onTake={(pass) => byHand(pass)} />
          ))}
        </Part>
      )}
      {isSome(bottles) && spots.length > 0 && <UsedPart restorationId={restorationId} bottles={bottles} />}
      <CleanPart restorationId={restorationId} pieces={pieces} />
      <TubPart loads={loads} tubs={tubs} />
      <Box mb="9">
        <Button asChild>
          <a href={`/api/restorations/${restorationId}/wash`} download>
            Sheet for the wall as PDF
          </a>
        </Button>
      </Box>
    </>
  );
}
