'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import type { Person } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { addName, removeName } from './actions';

/** Who works here; with more than one name, who did a step is noted. */
export function PeoplePart({ people }: { people: readonly Person[] }) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Text mb="3">
        With more than one name, each bench screen asks once who is at the device, and notes who did a step.
      </Text>
      <Wrong words={wrong} />
      {people.map(({ id, name }) => (
        <Flex key={id} align="center" justify="space-between" borderTopWidth="1px" borderColor="line" py="1">
          <Text>{name}</Text>
          <Button
            look="bare"
            aria-label={`Take off the list: ${name}`}
            disabled={busy}
            onClick={() => send(() => removeName(id))}
          >
            Take off the list
          </Button>
        </Flex>
      ))}
      <AnswerForm
        draftKey="person"
        fields={[{ name: 'name', label: 'Name', half: true }]}
        initial={{ name: '' }}
        submit="Add name"
        done="Name added."
        send={addName}
      />
    </>
  );
}
