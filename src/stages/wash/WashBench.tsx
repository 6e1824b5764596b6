'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useEffect, useState } from 'react';
import { viewHref } from '@/core/runsheet/views';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { useWakeLock } from '@/ui/useWakeLock';
import { BathPart } from './BathPart';
import type { BathView } from './bathView';
import { DryingBar } from './DryingBar';
import { SinkCard } from './SinkCard';
import type { PassView } from './view';

interface Props {
  restorationId: string;
  bath: BathView;
  running: readonly PassView[];
  next: readonly PassView[];
  /** A pass that somebody takes by hand; `null` where it runs already, or none was asked for. */
  byHand: PassView | null;
  /** One was asked for in the address. */
  asked: boolean;
  spots: readonly { settled: boolean; named: boolean }[];
  /** Spots were worked already, whether or not a bath came first. */
  begun: boolean;
  drying: readonly { id: string; label: string; startedAt: string; dueAt: string }[];
}

const keyOf = (pass: PassView) => `${pass.place}:${pass.agent}`;
const isSame = (pass: PassView) => (other: PassView) => keyOf(other) === keyOf(pass);

/** At the sink: what runs or comes next, large; then what else could be taken, and what dries. */
export function WashBench({ restorationId, bath, running, next, byHand, asked, spots, begun, drying }: Props) {
  useWakeLock();
  const [chosen, setChosen] = useState<string | null>(null);
  // Once it runs it is a pass like any other: it does not come back by itself when it is over.
  const begunByHand = asked && byHand === null;
  useEffect(() => {
    // The address alone: a page fetched anew would draw over whatever is tapped meanwhile.
    if (begunByHand) window.history.replaceState(null, '', viewHref(restorationId, 'wash'));
  }, [begunByHand, restorationId]);
  const all = [...(byHand && !running.some(isSame(byHand)) ? [byHand] : []), ...running, ...next];
  const shown = all.find((pass) => keyOf(pass) === chosen) ?? all[0];
  const open = spots.filter(({ settled }) => !settled);
  const others = all.filter((pass) => pass !== shown);
  const bathFirst = bath.running !== null || bath.pieces.some(({ bathed, out }) => !bathed && out === null);
  const sink = (
    <Part title={running.length > 0 ? 'At the sink' : 'Next at the sink'} id="sink">
      {shown ? (
        <SinkCard key={keyOf(shown)} pass={shown} restorationId={restorationId} />
      ) : spots.length === 0 ? (
        <EmptyPlace
          action={
            <LinkButton href={viewHref(restorationId, 'intake')} look="go">
              Go to the survey
            </LinkButton>
          }
        >
          No finding asks for the wash. Pin what is soiled, scuffed, stained or inked on the photographs of intake, or
          add it on the clipboard.
        </EmptyPlace>
      ) : (
        <EmptyPlace
          action={
            open.length > 0 && (
              <LinkButton href={viewHref(restorationId, 'wash', 'spots')} look="go">
                See the spots
              </LinkButton>
            )
          }
        >
          {open.some(({ named }) => !named)
            ? 'Say what each spot is, and its ladder stands.'
            : open.length > 0
              ? 'Every ladder is at its end. Leave what is left, with its reason.'
              : 'Everything that asked for the wash is closed.'}
        </EmptyPlace>
      )}
      {others.length > 0 && (
        <Fold summary={`${others.length} other ${others.length === 1 ? 'pass' : 'passes'} could be taken`}>
          <Flex role="group" aria-label="Other passes" gap="2" wrap="wrap">
            {others.map((pass) => (
              <Button
                key={keyOf(pass)}
                whiteSpace="normal"
                height="auto"
                py="2"
                textAlign="start"
                onClick={() => {
                  setChosen(keyOf(pass));
                  document.getElementById('sink')?.scrollIntoView();
                }}
              >
                {pass.spots.some(({ stepId }) => stepId !== null) && 'runs: '}
                {pass.title} on {pass.place}
              </Button>
            ))}
          </Flex>
        </Fold>
      )}
    </Part>
  );
  return (
    <>
      {bathFirst && <BathPart restorationId={restorationId} bath={bath} />}
      {bathFirst && running.length === 0 && byHand === null && others.length + (shown ? 1 : 0) > 0 ? (
        <Fold summary="A spot at the sink before the bath" openAtFirst={begun}>
          {sink}
        </Fold>
      ) : (
        !(bathFirst && !shown) && sink
      )}
      {drying.length > 0 && (
        <Part title="Drying" id="drying">
          {drying.map((piece) => (
            <DryingBar key={piece.id} {...piece} />
          ))}
          <Text color="soft" fontSize="15px">
            Estimate for a room of 20 °C and half humidity; warmer, drier and moving air is quicker. Metal and boards
            wait until then.
          </Text>
        </Part>
      )}
    </>
  );
}
