'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import type { BlockRow, RemovalStep } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { EmptyPlace, Part } from '@/ui/layout';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { addOrder, removeOrder } from './actions';

interface Props {
  restorationId: string;
  steps: readonly RemovalStep[];
  blocks: readonly BlockRow[];
  circles: readonly (readonly string[])[];
}

/** What must be on before what, beside what the plain reverse says anyway. */
export function BlockPart({ restorationId, steps, blocks, circles }: Props) {
  const { wrong, busy, send } = useSend();
  if (steps.length < 2) return null;
  const nameOf = (id: string) => steps.find((step) => step.id === id)?.name ?? '';
  const choice = steps.map(({ id, position, name }) => ({ value: id, label: `${position} ${name}` }));
  const newest = steps[steps.length - 1]!;
  return (
    <Part title="This before that" id="blocks">
      <Text mb="3">
        What would be out of reach once it is on? The way back keeps each of these, and otherwise stays with the reverse
        of what you took off.
      </Text>
      <Wrong words={wrong} />
      {circles.length > 0 && (
        <Box role="alert" bg="hazardSheet" borderLeftWidth="8px" borderColor="hazard" p="3" mb="4">
          <Text fontWeight="650">
            These wait for each other, so nothing could go on. Take one of the blocks of the ring away.
          </Text>
          {circles.map((circle) => (
            <Text key={circle.join()}>{[...circle, circle[0]!].map(nameOf).join(' → ')}</Text>
          ))}
        </Box>
      )}
      {blocks.length === 0 && (
        <EmptyPlace>
          None yet. Think of a small shield under an outer one, a rod under its tabs, a cable through its hole.
        </EmptyPlace>
      )}
      {blocks.map(({ id, firstId, thenId, why }) => (
        <Flex key={id} align="center" gap="3" borderTopWidth="1px" borderColor="line" py="2">
          <Box flex="1">
            <b>{nameOf(firstId)}</b> before <b>{nameOf(thenId)}</b>
            {why && <Text color="soft">{why}</Text>}
          </Box>
          <Button
            disabled={busy}
            onClick={() => send(() => removeOrder(id))}
            aria-label={`Take away: ${nameOf(firstId)} before ${nameOf(thenId)}`}
          >
            Take away
          </Button>
        </Flex>
      ))}
      <AnswerForm
        key={newest.id}
        draftKey={`block:${restorationId}`}
        fields={[
          { name: 'firstId', label: 'This must be on', kind: 'choice', options: choice, half: true },
          { name: 'thenId', label: 'Before this', kind: 'choice', options: choice, half: true },
          { name: 'why', label: 'Why', optional: true, hint: 'Sits under its tabs; the cable goes through its hole' },
        ]}
        initial={{ firstId: newest.id, thenId: steps[steps.length - 2]!.id, why: '' }}
        submit="Keep this order"
        done="Block kept."
        send={(values) => addOrder(values)}
      />
    </Part>
  );
}
