'use client';

import { Button } from '@chakra-ui/react';
import { EmptyPlace, ScreenHead } from './layout';

/** A page that could not be drawn. */
export function FaultPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <>
      <ScreenHead title="This page failed" />
      <EmptyPlace
        action={
          <Button variant={'go' as never} onClick={reset}>
            Try again
          </Button>
        }
      >
        Nothing that was saved is lost. The server’s output says more{error.digest ? ` (look for ${error.digest})` : ''}.
      </EmptyPlace>
    </>
  );
}
