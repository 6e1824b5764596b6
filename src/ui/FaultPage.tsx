'use client';

import { Box } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useEffect, useState } from 'react';
import { EmptyPlace, ScreenHead } from './layout';

interface Wrong {
  title: string;
  /** What holds all the same, and what to do. */
  todo: string;
}

/** In place of everything, where what is kept cannot be read at all. */
export function FaultScreen({ title, todo }: Wrong) {
  return (
    <Box as="main" maxWidth="760px" mx="auto" p="6">
      <Fault title={title} todo={todo} onTry={() => window.location.reload()} />
    </Box>
  );
}

const Fault = ({ title, todo, onTry }: Wrong & { onTry: () => void }) => (
  <>
    <ScreenHead title={title} />
    <EmptyPlace
      action={
        <Button look="go" bench onClick={onTry}>
          Try again
        </Button>
      }
    >
      {todo}
    </EmptyPlace>
  </>
);

/** A page that could not be drawn. What is wrong with the disk the server says itself; it is asked. */
export function FaultPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const [said, setSaid] = useState('');
  useEffect(() => {
    void fetch('/api/mark')
      .then(async (response) => {
        if (response.status !== 503) return;
        const { errors } = (await response.json()) as { errors: { message: string }[] };
        setSaid(errors.map(({ message }) => message).join(' '));
      })
      .catch(() => setSaid('Kvell does not answer. Check that it runs and that this device is in its network.'));
  }, []);
  const unknown = `Nothing that was saved is lost. The server’s output says more${error.digest ? ` (look for ${error.digest})` : ''}.`;
  return <Fault title="This page failed" todo={said || unknown} onTry={reset} />;
}
