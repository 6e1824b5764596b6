'use client';

import { Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { putOnDonor, takeOffDonor } from './actions';

/** Takes a part off its donor, for one of the restorations that are open. */
export function TakeOff({
  partId,
  what,
  restorations,
  first,
}: {
  partId: string;
  what: string;
  restorations: readonly { value: string; label: string }[];
  /** The one that it is looked for. */
  first: string | null;
}) {
  const [chosen, setChosen] = useState(first ?? restorations[0]?.value ?? '');
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Flex gap="2" wrap="wrap" align="center">
        <Select
          aria-label={`${what}: for which restoration`}
          value={chosen}
          options={restorations}
          onChange={(event) => setChosen(event.target.value)}
        />
        <Button
          aria-label={`Take it off: ${what}`}
          disabled={busy || chosen === ''}
          onClick={() =>
            send(
              (once) => takeOffDonor(once({ partId, restorationId: chosen })),
              () => say('Taken off its donor; the record says where it came from.'),
            )
          }
        >
          Take it off
        </Button>
      </Flex>
      <Wrong words={wrong} />
    </>
  );
}

/** Puts a part back on its donor. */
export function PutBack({ partId, what }: { partId: string; what: string }) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Button
        aria-label={`Put it back: ${what}`}
        disabled={busy}
        onClick={() =>
          send(
            (once) => putOnDonor(once({ partId })),
            () => say('Back on its donor.'),
          )
        }
      >
        Put it back
      </Button>
      <Wrong words={wrong} />
    </>
  );
}
