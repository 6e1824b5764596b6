'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useRouter } from 'next/navigation';
import { STAYS_DAYS } from '@/core/runsheet/deleted';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { bringItOut, deleteIt, putItAway } from './actions';

const bringOut = (send: ReturnType<typeof useSend>['send'], restorationId: string) => () =>
  send(
    () => bringItOut(restorationId),
    () => say('It is among the others again.'),
  );

/** What can be done with a machine as a whole, and what comes of it. */
function Way({ title, words, busy, act }: { title: string; words: string; busy: boolean; act: () => void }) {
  return (
    <Flex gap="4" align="center" wrap="wrap" mb="3">
      <Button disabled={busy} onClick={act} minWidth="130px">
        {title}
      </Button>
      <Text flex="1 1 260px" color="soft">
        {words}
      </Text>
    </Flex>
  );
}

/** Brings a restoration out again that was put away or deleted. */
export function BringOut({ restorationId, words }: { restorationId: string; words: string }) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Way title="Bring it out" words={words} busy={busy} act={bringOut(send, restorationId)} />
      <Wrong words={wrong} />
    </>
  );
}

/** Puts a restoration out of the way to stay, or deletes it, which can be undone for a while. */
export function PutAway({ restorationId }: { restorationId: string }) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const out = bringOut(send, restorationId);
  const away = (work: typeof putItAway, said: string) => () =>
    send(
      () => work(restorationId),
      () => {
        say(said, { title: 'Undo', act: out });
        router.push('/restorations');
      },
    );
  const ways = [
    {
      title: 'Put it away',
      words:
        'Out of the bench, the lists, the search and the bells. All of it is kept, and it can be brought out again.',
      act: away(putItAway, 'Put away. It lies under Restorations, “put away”.'),
    },
    {
      title: 'Delete it',
      words: `The same for ${STAYS_DAYS} days. Then it goes for good with its photographs; only its log stays.`,
      act: away(deleteIt, `Deleted. For ${STAYS_DAYS} days it lies under Workshop, “Deleted”.`),
    },
  ];
  return (
    <>
      {ways.map(({ title, words, act }) => (
        <Way key={title} title={title} words={words} busy={busy} act={act} />
      ))}
      <Wrong words={wrong} />
    </>
  );
}
