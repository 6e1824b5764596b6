'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useWho } from './useWho';

/** Who is at this device; one tap, kept on the device. Nothing where the workshop has one name or none. */
export function WhoPart({ people }: { people: readonly string[] }) {
  const [who, choose] = useWho(people);
  if (people.length < 2) return null;
  return (
    <Flex role="group" aria-label="Who is at this device" align="center" gap="2" wrap="wrap" mb="4">
      <Text color="soft">{who ? 'At this device:' : 'Who is at this device?'}</Text>
      {people.map((name) => (
        <Button
          key={name}
          aria-pressed={name === who}
          onClick={() => choose(name === who ? '' : name)}
          look={name === who ? 'go' : 'quiet'}
        >
          {name}
        </Button>
      ))}
    </Flex>
  );
}
