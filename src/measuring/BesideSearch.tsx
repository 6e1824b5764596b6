'use client';

import { Flex } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';

/** Which piece another is laid beside: looked for by its words. */
export function BesideSearch({ a, words }: { a: string; words: string }) {
  const router = useRouter();
  const [typed, setTyped] = useState(words);
  return (
    <form
      role="search"
      onSubmit={(event) => {
        event.preventDefault();
        router.push(`/beside?${new URLSearchParams({ a, q: typed }).toString()}`);
      }}
    >
      <Flex gap="3" wrap="wrap" align="end">
        <LabelledBox
          label="Beside which piece: tag, name, plastic or machine"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button look="go" type="submit">
          Look for it
        </Button>
      </Flex>
    </form>
  );
}
