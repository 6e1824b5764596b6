'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useRouter } from 'next/navigation';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { bringItOut, putItAway } from './actions';

/** Puts a restoration out of the way, or brings it out again. Nothing of it is lost either way. */
export function PutAway({ restorationId, away }: { restorationId: string; away: boolean }) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const out = () =>
    send(
      () => bringItOut(restorationId),
      () => say('It is among the others again.'),
    );
  const put = () =>
    send(
      () => putItAway(restorationId),
      () => {
        say('Put away. It lies under Restorations, “put away”.', { title: 'Undo', act: out });
        router.push('/restorations');
      },
    );
  return (
    <>
      <Flex gap="4" align="center" wrap="wrap">
        <Button disabled={busy} onClick={away ? out : put}>
          {away ? 'Bring it out' : 'Put it away'}
        </Button>
        <Text flex="1 1 260px" color="soft">
          {away
            ? 'It is put away: it stands on no bench and in no list but that of what is put away, and its bells do not ring.'
            : 'Out of the bench, the lists, the search and the bells. All of it is kept, and it can be brought out again.'}
        </Text>
      </Flex>
      <Wrong words={wrong} />
    </>
  );
}
