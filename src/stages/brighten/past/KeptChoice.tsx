'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useSend } from '@/ui/useSend';
import { say } from '@/ui/toast';
import { Wrong } from '@/ui/Wrong';
import { setStorage } from '../actions';

/** How a piece is kept until it is looked at again: yellow comes back sooner in the light. */
export function KeptChoice({ pieceId, storage }: { pieceId: string; storage: 'dark' | 'light' }) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Flex align="center" gap="3" wrap="wrap" my="3">
        <Text>Kept until then</Text>
        {(['dark', 'light'] as const).map((where) => (
          <Button
            key={where}
            aria-pressed={storage === where}
            look={storage === where ? 'go' : 'quiet'}
            disabled={busy}
            onClick={() =>
              send(
                () => setStorage({ pieceId, storage: where }),
                () => say('Noted.'),
              )
            }
          >
            in the {where}
          </Button>
        ))}
      </Flex>
      <Wrong words={wrong} />
    </>
  );
}
