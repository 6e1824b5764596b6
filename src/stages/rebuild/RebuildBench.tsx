'use client';

import { Box, Button, Flex, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { Check } from 'lucide-react';
import { closingScrews, type Hold } from '@/core/teardown/closing';
import { maybeOutOfReach } from '@/core/teardown/reach';
import type { RebuildOrder } from '@/core/teardown/rebuildOrder';
import type { PowerDecided } from '@/data/firstPower';
import type { BlockRow, ConnectionRow, FunctionTest, LotRow, RemovalStep } from '@/data/rows';
import { Part } from '@/ui/layout';
import { WhoPart } from '@/ui/WhoPart';
import { useSend } from '@/ui/useSend';
import { useWakeLock } from '@/ui/useWakeLock';
import { Wrong } from '@/ui/Wrong';
import { offAgain } from './actions';
import { ClosingPart } from './ClosingPart';
import { LeftoverPart } from './LeftoverPart';
import { StepOn } from './StepOn';

// The question comes after the page: it is not the first thing that anybody taps.
const Confirm = dynamic(() => import('@/ui/Confirm').then((ui) => ui.Confirm), { ssr: false });

interface Props {
  restorationId: string;
  steps: readonly RemovalStep[];
  lots: readonly LotRow[];
  connections: readonly ConnectionRow[];
  blocks: readonly BlockRow[];
  way: RebuildOrder;
  holds: readonly Hold[];
  tests: readonly FunctionTest[];
  power: PowerDecided | null;
  sizes: Readonly<Record<string, { width: number; height: number }>>;
  people: readonly string[];
}

/** The bench screen of the way back: the next thing on, large; then the whole way, the leftovers and the closing. */
export function RebuildBench({ restorationId, steps, lots, connections, blocks, way, holds, tests, power, sizes, people }: Props) {
  useWakeLock();
  const { wrong, busy, send } = useSend();
  const stepOf = new Map(steps.map((step) => [step.id, step]));
  const nameOf = (id: string) => stepOf.get(id)?.name ?? '';
  if (way.circles.length > 0)
    return (
      <Part title="The way back">
        <Box role="alert" bg="hazardSheet" borderLeftWidth="8px" borderColor="hazard" p="4">
          <Text fontWeight="650">These wait for each other, so there is no way back yet. Take one block of the ring away under Teardown.</Text>
          {way.circles.map((circle) => (
            <Text key={circle.join()}>{[...circle, circle[0]!].map(nameOf).join(' → ')}</Text>
          ))}
        </Box>
      </Part>
    );
  const order = way.order.map((id) => stepOf.get(id)!);
  const early = new Map(way.early.map(({ step, placesEarlier }) => [step, placesEarlier]));
  /** Those that a step goes in before, though it came off before them. */
  const passes = (id: string) => blocks.filter(({ firstId }) => firstId === id).map(({ thenId }) => nameOf(thenId));
  const next = order.find(({ onAt }) => onAt === null);
  const testFirst = next !== undefined && closingScrews(steps).includes(next.id);
  const done = order.filter(({ onAt }) => onAt !== null).length;
  return (
    <>
      <WhoPart people={people} />
      <Part title={next ? `Next thing on: ${next.name}` : 'Everything is on'} id="next">
        {testFirst && (
          <Text borderLeftWidth="8px" borderColor="amber" pl="3" mb="3" fontWeight="650">
            These close the case: make the function test below before they go in.
          </Text>
        )}
        {next ? (
          <StepOn
            key={next.id}
            step={next}
            lots={lots.filter(({ stepId }) => stepId === next.id)}
            connections={connections.filter(({ stepId }) => stepId === next.id)}
            early={early.has(next.id) && passes(next.id).length > 0 ? passes(next.id) : null}
            size={next.photoId === null ? null : (sizes[next.photoId] ?? null)}
            people={people}
            stillOff={maybeOutOfReach(next, steps, blocks).filter(({ onAt }) => onAt === null)}
          />
        ) : (
          <Text>All {steps.length} steps are back. Test it, then close the stage below.</Text>
        )}
      </Part>
      <Part title={`The way back, ${done} of ${order.length}`}>
        <Wrong words={wrong} />
        <Box as="ol" listStyleType="none">
          {order.map((step, i) => (
            <Flex as="li" key={step.id} align="center" gap="3" borderTopWidth="1px" borderColor="line" minHeight="48px" py="1">
              <Text fontFamily="mono" minWidth="3ch" textAlign="end">
                {i + 1}
              </Text>
              <Box flex="1" minWidth="0" fontWeight={step === next ? '700' : '400'}>
                {step.name}
                {early.has(step.id) && passes(step.id).length > 0 && (
                  <Text color="soft" fontSize="15px">
                    goes in early, before {passes(step.id).join(' and ')}, or you take all this off again
                  </Text>
                )}
                {(step.onWords || step.onBy) && (
                  <Text color="soft">{[step.onWords, step.onBy && `by ${step.onBy}`].filter(Boolean).join(' · ')}</Text>
                )}
              </Box>
              {step.onAt !== null && (
                <>
                  <Check aria-label="on" size={22} />
                  <Confirm
                    trigger={<Button disabled={busy}>Off again</Button>}
                    title={`Take “${step.name}” off again?`}
                    yes="Off again"
                    onYes={() => send(() => offAgain({ stepId: step.id, words: '' }))}
                  >
                    <Text>Its fasteners and connections count as out once more.</Text>
                  </Confirm>
                </>
              )}
            </Flex>
          ))}
        </Box>
        <Text color="soft" mt="2" fontSize="15px">
          {way.inversions === 0
            ? 'The plain reverse of teardown.'
            : `${way.inversions} pairs stand the other way round than in the plain reverse; no order that keeps the blocks has fewer than ${way.lowerBound}.`}
        </Text>
      </Part>
      <LeftoverPart lots={lots} nameOf={nameOf} />
      <ClosingPart restorationId={restorationId} holds={holds} tests={tests} power={power} />
    </>
  );
}
