'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Box } from '@chakra-ui/react';
import { hoursWords, WEEKDAYS, type WeekHours } from '@/core/runsheet/hours';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import type { Person } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { addName, removeName, savePersonHours } from './actions';

/** Who works here; with more than one name, who did a step is noted. */
export function PeoplePart({ people, hours }: { people: readonly Person[]; hours: WeekHours }) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Text mb="3">
        With more than one name, each bench screen asks once who is at the device, and notes who did a step.
      </Text>
      <Wrong words={wrong} />
      {people.map(({ id, name, hours: own, daysOff }) => (
        <Box key={id} borderTopWidth="1px" borderColor="line">
          <Flex align="center" justify="space-between" py="1">
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
          <Fold
            summary={`When ${name} is there: ${own ? 'hours of their own' : 'as the workshop'}${daysOff.length > 0 ? `, ${daysOff.length} days off` : ''}`}
            quiet
          >
            <AnswerForm
              draftKey={`hours:${id}`}
              fields={[
                {
                  name: 'own',
                  label: 'Hours',
                  kind: 'choice',
                  options: [
                    { value: 'false', label: 'as the workshop' },
                    { value: 'true', label: 'these' },
                  ],
                },
                ...WEEKDAYS.map((day) => ({ name: day, label: day, third: true, optional: true })),
                {
                  name: 'daysOff',
                  label: 'Days off',
                  kind: 'long' as const,
                  optional: true,
                  hint: 'Like 2026-12-24, one after the other: holidays, or an illness that lasts',
                },
              ]}
              initial={{
                own: String(own !== null),
                ...Object.fromEntries(WEEKDAYS.map((day, i) => [day, hoursWords((own ?? hours)[i] ?? null)])),
                daysOff: daysOff.join(', '),
              }}
              submit="Keep the hours"
              done="Kept. The plan goes by them."
              send={(values) => savePersonHours({ id, ...values })}
              keeps
            />
          </Fold>
        </Box>
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
