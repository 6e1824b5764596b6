'use client';

import { Flex } from '@chakra-ui/react';
import { Button } from '@/ui/Button';

interface Props<T extends string> {
  label: string;
  of: readonly T[];
  words: Readonly<Record<T, string>>;
  chosen: T | null;
  onChoose: (one: T) => void;
  /** Tapped with a glove on. */
  bench?: boolean;
}

/** One of a few, all of them in sight. */
export function Chips<T extends string>({ label, of, words, chosen, onChoose, bench = false }: Props<T>) {
  return (
    <Flex gap="2" wrap="wrap" mb="3" role="group" aria-label={label}>
      {of.map((one) => (
        <Button
          key={one}
          bench={bench}
          aria-pressed={chosen === one}
          look={chosen === one ? 'go' : 'quiet'}
          onClick={() => onChoose(one)}
        >
          {words[one]}
        </Button>
      ))}
    </Flex>
  );
}
