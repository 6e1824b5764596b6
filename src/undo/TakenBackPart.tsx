'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { STAYS_DAYS } from '@/core/runsheet/deleted';
import { showTime } from '@/core/runsheet/time';
import type { TakenBack } from '@/data/rows';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { bringItBack } from './actions';

/** What was taken back, each with the way back. */
export function TakenBackPart({
  taken,
  timeZone,
}: {
  taken: readonly Pick<TakenBack, 'id' | 'what' | 'at'>[];
  timeZone: string;
}) {
  const { wrong, busy, send } = useSend();
  if (taken.length === 0) return null;
  return (
    <Fold summary={`Taken back in the last ${STAYS_DAYS} days: ${taken.length}`}>
      {taken.map(({ id, what, at }) => (
        <Flex key={id} gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
          <Text flex="1 1 260px">
            {what}
            <Text as="span" color="soft">
              , {showTime(at, timeZone)}
            </Text>
          </Text>
          <Button
            disabled={busy}
            onClick={() =>
              send(
                () => bringItBack(id),
                () => say('It is back.'),
              )
            }
          >
            Bring it back
          </Button>
        </Flex>
      ))}
      <Wrong words={wrong} />
    </Fold>
  );
}
