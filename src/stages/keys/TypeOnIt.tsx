'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { Observed } from '@/core/keyboard/evidence';
import { inRows } from '@/core/keyboard/layout';
import { heard, NOTHING_HEARD, staysOn, type Heard } from '@/core/keyboard/live';
import type { KeyboardRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { keepCodes } from './actions';

interface Props {
  board: KeyboardRow;
  /** What the keys did, as it is heard. */
  onSeen: (keys: readonly string[], seen: Observed) => void;
  /** Bounces and double answers, in words, for the log. */
  onHeard: (words: string) => void;
}

const LOOK_MS = 500;

/** What was heard beside plain presses, by the names of the keys. */
function heardWords({ bounced, together }: Heard, codes: Readonly<Record<string, string>>): string {
  const name = (code: string) => codes[code] ?? code;
  const bounces = Object.entries(bounced).map(([code, count]) => `${name(code)} ${count}×`);
  const pairs = Object.keys(together).map((pair) => pair.split(' ').map(name).join(' with '));
  return [
    bounces.length > 0 && `bounces: ${bounces.join(', ')}`,
    pairs.length > 0 && `answer together: ${pairs.join(', ')}`,
  ]
    .filter(Boolean)
    .join('; ');
}

/** The keyboard itself, plugged in by whatever adapter there is: each key is learnt once, then heard. */
export function TypeOnIt({ board, onSeen, onHeard }: Props) {
  const [on, setOn] = useState(false);
  const [codes, setCodes] = useState<Record<string, string>>(board.codes);
  const order = inRows(board.keys).flat();
  const known = new Set(Object.values(codes));
  const [skipped, setSkipped] = useState<string[]>([]);
  const next = order.find(({ id }) => !known.has(id) && !skipped.includes(id))?.id ?? null;
  const [now, setNow] = useState<Heard>(NOTHING_HEARD);
  const [last, setLast] = useState('');
  const { wrong, send } = useSend();
  // What a listener of the window needs of the newest drawing.
  const live = useRef({ codes, next, now, onSeen, onHeard });
  useEffect(() => {
    live.current = { codes, next, now, onSeen, onHeard };
  });
  useEffect(() => {
    if (!on) return;
    const hear = (event: KeyboardEvent) => {
      // Nothing that is typed here moves the page or reaches a button of it.
      event.preventDefault();
      event.stopPropagation();
      const { codes: learnt, next: asked, now: before, onSeen: seen, onHeard: say } = live.current;
      const code = event.code || event.key;
      let all = learnt;
      if (event.type === 'keydown' && asked !== null && !(code in learnt)) {
        all = { ...learnt, [code]: asked };
        setCodes(all);
      }
      const after = heard(before, { code, type: event.type === 'keydown' ? 'down' : 'up', atMs: event.timeStamp });
      if (after === before) return;
      live.current = { ...live.current, codes: all, now: after };
      setNow(after);
      setLast(all[code] ?? `${code}, which no key of the drawing has`);
      const key = all[code];
      if (key !== undefined && event.type === 'keyup') seen([key], 'works');
      say(heardWords(after, all));
    };
    const look = setInterval(() => {
      const { codes: learnt, now: held, onSeen: seen } = live.current;
      const stuck = staysOn(held, performance.now()).flatMap((code) => learnt[code] ?? []);
      if (stuck.length > 0) seen(stuck, 'stuck');
    }, LOOK_MS);
    window.addEventListener('keydown', hear, true);
    window.addEventListener('keyup', hear, true);
    return () => {
      clearInterval(look);
      window.removeEventListener('keydown', hear, true);
      window.removeEventListener('keyup', hear, true);
    };
  }, [on]);
  const stop = () => {
    setOn(false);
    if (Object.keys(codes).length > 0) send((once) => keepCodes(once({ keyboardId: board.id, codes })));
  };
  if (!on)
    return (
      <Box my="2">
        <Button onClick={() => setOn(true)}>Type on the keyboard itself</Button>
        <Wrong words={wrong} />
      </Box>
    );
  const words = heardWords(now, codes);
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="4" my="2" aria-live="polite">
      <Text fontWeight="650" fontSize="20px">
        {next === null ? 'Press every key once.' : `Press ${next} on the keyboard.`}
      </Text>
      <Text color="soft">
        {last === '' ? 'Plugged in by an adapter, its keys are heard here and nowhere else.' : `Heard last: ${last}.`}
        {words && ` ${words[0]!.toUpperCase()}${words.slice(1)}.`}
      </Text>
      <Flex gap="2" mt="2" wrap="wrap">
        {next !== null && (
          <Button
            onClick={() => {
              setSkipped([...skipped, next]);
              onSeen([next], 'dead');
            }}
          >
            {next} does nothing
          </Button>
        )}
        {next !== null && (
          <Button onClick={() => setSkipped([...skipped, next])}>The browser keeps {next} for itself</Button>
        )}
        <Button onClick={stop}>Stop listening</Button>
        {Object.keys(codes).length > 0 && (
          <Button
            look="bare"
            onClick={() => {
              setCodes({});
              setSkipped([]);
              setNow(NOTHING_HEARD);
            }}
          >
            Learn the keys anew
          </Button>
        )}
      </Flex>
    </Box>
  );
}
