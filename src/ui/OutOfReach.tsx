'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';

interface Thing {
  id: string;
  name: string;
}

interface Props {
  /** What would cover them. */
  cover: string;
  things: readonly Thing[];
  busy: boolean;
  /** A tap on one that would be out of reach. */
  onTap: (id: string) => void;
}

const SHOWN = 3;

/** The question at the right moment: what could not be put in any more once this is on? */
export function OutOfReach({ cover, things, busy, onTap }: Props) {
  const [all, setAll] = useState(false);
  if (things.length === 0) return null;
  const shown = all ? things : things.slice(0, SHOWN);
  return (
    <Flex
      role="group"
      aria-label={`Out of reach once ${cover} is on`}
      direction="column"
      gap="2"
      borderLeftWidth="8px"
      borderColor="amber"
      pl="3"
      my="4"
    >
      <Text fontWeight="650">
        Once “{cover}” is on, would one of these be out of reach? Tap it, and it goes on before.
      </Text>
      <Flex gap="2" wrap="wrap">
        {shown.map(({ id, name }) => (
          <Button
            key={id}
            disabled={busy}
            onClick={() => onTap(id)}
            whiteSpace="normal"
            height="auto"
            py="2"
            textAlign="start"
          >
            {name}
          </Button>
        ))}
        {things.length > shown.length && (
          <Button look="bare" onClick={() => setAll(true)}>
            {things.length - shown.length} more
          </Button>
        )}
      </Flex>
    </Flex>
  );
}
