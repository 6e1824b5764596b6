'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { Button } from '@/ui/Button';
import { deviceTime } from '@/ui/clock';
import { Confirm } from '@/ui/Confirm';
import { warn } from '@/ui/toast';
import { arrived, keeper, keepHere } from './keep';
import { giveKeeper } from './keeper';
import { watchRequests } from './requests';
import { useServer, watchServer } from './serverState';
import { sendAll, type Outcome } from './send';
import { useKept } from './useKept';
import { allKept, keepIt, letGo, markRefused, onKept, type Kept } from './store';

const TRY_EVERY_MS = 2000;

const clockOf = (at: number): string => {
  const then = new Date(at);
  const day = then.toDateString() === deviceTime().toDateString() ? '' : `${then.toLocaleDateString('en-GB')} `;
  return `${day}${then.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
};
const counted = (n: number, thing: string): string => `${n} ${thing}${n === 1 ? '' : 's'}`;

const whyNot = (outcome: Exclude<Outcome, string>): string[] =>
  'refused' in outcome ? outcome.refused : outcome.answer.ok ? [] : outcome.answer.errors.map(({ message }) => message);

/** Puts back into its form what was typed there. */
function backInForm({ draft }: Kept) {
  if (draft) localStorage.setItem(draft.key, JSON.stringify(draft.values));
}

/** What waits on this device, sent as soon as Kvell answers; what became of each is told. */
function useOutbox(away: boolean) {
  const [waiting, setWaiting] = useState<Kept[]>([]);
  const [taken, setTaken] = useState<Kept[]>([]);
  const [outside, setOutside] = useState(false);
  const sending = useRef(false);
  const router = useRouter();
  useEffect(() => {
    // A browser that lets nobody keep anything has nothing that waits.
    const read = () => void allKept().then(setWaiting, () => setWaiting([]));
    read();
    const woken = () => !document.hidden && read();
    document.addEventListener('visibilitychange', woken);
    keepHere(keepIt);
    watchRequests();
    giveKeeper(keeper);
    const stop = onKept(read);
    return () => {
      stop();
      document.removeEventListener('visibilitychange', woken);
    };
  }, []);
  const toSend = waiting.filter(({ refused }) => !refused).length;
  useEffect(() => {
    if (away || toSend === 0) return;
    let some = false;
    const told = async (kept: Kept, outcome: Outcome) => {
      setOutside(outcome === 'outside');
      if (typeof outcome === 'string') return;
      if ('answer' in outcome) arrived(kept.id, outcome.answer);
      if ('answer' in outcome && outcome.answer.ok) {
        some = true;
        setTaken((before) => [...before, kept]);
        return letGo(kept.id);
      }
      backInForm(kept);
      await markRefused(kept.id, whyNot(outcome));
    };
    const send = async () => {
      if (sending.current) return;
      sending.current = true;
      try {
        some = false;
        await sendAll(await allKept(), (...given) => fetch(...given), told);
        // A page that cannot be drawn anew is loaded anew: only where Kvell is surely there.
        if (some) router.refresh();
      } finally {
        sending.current = false;
      }
    };
    void send();
    const again = setInterval(() => void send(), TRY_EVERY_MS);
    return () => clearInterval(again);
  }, [away, toSend, router]);
  return { waiting, taken, outside, forget: () => setTaken([]) };
}

/** A link to a page that cannot come would end in the browser’s own page for what is not there. */
function useStayHere(away: boolean) {
  useEffect(() => {
    if (!away || navigator.serviceWorker?.controller) return;
    const stay = (event: MouseEvent) => {
      const link = (event.target as Element).closest?.('a[href^="/"]');
      if (!link || link.hasAttribute('download')) return;
      event.preventDefault();
      event.stopPropagation();
      warn('Kvell does not answer: that page opens when it does again. This one stays.');
    };
    document.addEventListener('click', stay, true);
    return () => document.removeEventListener('click', stay, true);
  }, [away]);
}

/** Says that Kvell is away, what waits here until it is back, and what became of it. */
export function OutboxBar({ drawnAt, mark }: { drawnAt: string; mark: number }) {
  useKept(mark);
  useEffect(watchServer, []);
  const { away, answered } = useServer();
  const { waiting, taken, outside, forget } = useOutbox(away);
  useStayHere(away);
  const unsent = waiting.filter(({ refused }) => !refused);
  const refused = waiting.filter((kept) => kept.refused);
  if (!away && waiting.length === 0 && taken.length === 0) return null;
  return (
    <Box as="section" aria-label="Kept on this device" bg="sheet" borderBottomWidth="1px" borderColor="lineStrong">
      <Box maxWidth="1240px" mx="auto" px="4" py="2">
        <Box role="status">
          {away && (
            <Text fontWeight="650">
              Kvell does not answer. What is shown stood so at {clockOf(answered ?? Date.parse(drawnAt))}.
            </Text>
          )}
          {unsent.length > 0 && (
            <Text>
              {counted(unsent.length, 'thing')} kept on this device,{' '}
              {outside
                ? 'sent when this device has entered again.'
                : away
                  ? 'sent when Kvell answers again.'
                  : 'being sent.'}
            </Text>
          )}
          {taken.length > 0 && (
            <Flex align="center" gap="3" wrap="wrap">
              <Text>Sent: {taken.map(({ what, at }) => `${what} (typed ${clockOf(at)})`).join('; ')}.</Text>
              <Button look="quiet" onClick={forget}>
                Seen
              </Button>
            </Flex>
          )}
        </Box>
        {unsent.length > 0 && (
          <details>
            <summary className="fold">What waits here</summary>
            {unsent.map((kept) => (
              <Waiting key={kept.id} kept={kept} />
            ))}
          </details>
        )}
        {refused.map((kept) => (
          <Box key={kept.id} role="alert" borderLeftWidth="8px" borderColor="hazard" pl="3" my="2">
            <Text fontWeight="650">
              Not taken: {kept.what}, typed {clockOf(kept.at)}.
            </Text>
            {kept.refused!.map((line) => (
              <Text key={line}>{line}</Text>
            ))}
            <Flex gap="3" mt="2" wrap="wrap">
              {kept.draft && (
                // Loaded anew: the form there reads what was typed.
                <Button asChild look="quiet">
                  <a href={kept.page}>Open its form</a>
                </Button>
              )}
              <Button look="quiet" onClick={() => void markRefused(kept.id, undefined)}>
                Send it again
              </Button>
              <Button look="quiet" onClick={() => void letGo(kept.id)}>
                Let it go
              </Button>
            </Flex>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function Waiting({ kept }: { kept: Kept }) {
  const { what, at, draft } = kept;
  return (
    <Flex align="center" gap="3" wrap="wrap" py="1">
      <Text>
        {what}, typed {clockOf(at)}
      </Text>
      <Confirm
        trigger={
          <Button look="quiet" aria-label={`Let it go: ${what}`}>
            Let it go
          </Button>
        }
        title="It is not sent, then."
        yes="Let it go"
        onYes={() => {
          backInForm(kept);
          return letGo(kept.id);
        }}
      >
        {draft ? 'What was typed stands in its form again.' : 'It was kept nowhere else.'}
      </Confirm>
    </Flex>
  );
}
