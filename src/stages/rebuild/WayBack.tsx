'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { Check } from 'lucide-react';
import type { RebuildOrder } from '@/core/teardown/rebuildOrder';
import type { BlockRow, RemovalStep } from '@/data/rows';
import { Part } from '@/ui/layout';
import { LaterConfirm } from '@/ui/LaterConfirm';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { takeStepOffAgain } from './actions';
import { Circles } from './Circles';
import { passedBy } from './wayBack';

interface Props {
  steps: readonly RemovalStep[];
  blocks: readonly BlockRow[];
  way: RebuildOrder;
}

/** The whole way back in order: what is on, what comes next, and what goes in early. */
export function WayBack({ steps, blocks, way }: Props) {
  const { wrong, busy, send } = useSend();
  if (way.circles.length > 0) return <Circles steps={steps} circles={way.circles} />;
  const order = way.order.map((id) => steps.find((step) => step.id === id)!);
  const next = order.find(({ onAt }) => onAt === null);
  const done = order.filter(({ onAt }) => onAt !== null).length;
  return (
    <Part title={`The way back, ${done} of ${order.length}`}>
      <Wrong words={wrong} />
      <Box as="ol" listStyleType="none">
        {order.map((step, i) => {
          const early = passedBy(step.id, way, steps, blocks);
          return (
            <Flex
              as="li"
              key={step.id}
              align="center"
              gap="3"
              borderTopWidth="1px"
              borderColor="line"
              minHeight="48px"
              py="1"
            >
              <Text fontFamily="mono" minWidth="3ch" textAlign="end">
                {i + 1}
              </Text>
              <Box flex="1" minWidth="0" fontWeight={step === next ? '700' : '400'}>
                {step.name}
                {early && (
                  <Text color="soft" fontSize="15px">
                    goes in early, before {early.join(' and ')}, or you take all this off again
                  </Text>
                )}
                {(step.onWords || step.onBy) && (
                  <Text color="soft">{[step.onWords, step.onBy && `by ${step.onBy}`].filter(Boolean).join(' · ')}</Text>
                )}
              </Box>
              {step.onAt !== null && (
                <>
                  <Check aria-label="on" size={22} />
                  <LaterConfirm
                    trigger={
                      <Button disabled={busy} aria-label={`Off again: ${step.name}`}>
                        Off again
                      </Button>
                    }
                    title={`Take “${step.name}” off again?`}
                    yes="Off again"
                    onYes={() => send(() => takeStepOffAgain({ stepId: step.id, words: '' }))}
                  >
                    <Text>Its fasteners and connections count as out once more.</Text>
                  </LaterConfirm>
                </>
              )}
            </Flex>
          );
        })}
      </Box>
      <Text color="soft" mt="2" fontSize="15px">
        {way.inversions === 0
          ? 'The plain reverse of teardown.'
          : `${way.inversions} pairs stand the other way round than in the plain reverse; no order that keeps the blocks has fewer than ${way.lowerBound}.`}
      </Text>
    </Part>
  );
}
