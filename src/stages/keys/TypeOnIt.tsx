'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { Observed } from '@/core/keyboard/evidence';
import { inRows } from '@/core/keyboard/layout';
import { heard, NOTHING_HEARD, staysOn, type Heard } from '@/core/keyboard/live';
import { padEvents } from '@/core/keyboard/pad';
import type { KeyboardRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { keepCodes } from './actions';

interface Props {
  board: KeyboardRow;
  /** What the keys did, as it is heard. */
  onSeen: (keys: readonly string[], seen: Observed) => void;
  /** Bounces and double answers, in words, for the log; and the pairs of keys that answered as one. */
  onHeard: (words: string, together: [string, string][]) => void;
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

/** Keys that answered with another one, as far as both are keys of the drawing. */
const pairsOf = ({ together }: Heard, codes: Readonly<Record<string, string>>): [string, string][] =>
  Object.keys(together).flatMap((pair): [string, string][] => {
    const [pressed, also] = pair.split(' ').map((code) => codes[code]);
    return pressed !== undefined && also !== undefined ? [[pressed, also]] : [];
  });

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
    const hearCode = (code: string, type: 'down' | 'up', atMs: number) => {
      const { codes: learnt, next: asked, now: before, onSeen: seen, onHeard: say } = live.current;
      let all = learnt;
      if (type === 'down' && asked !== null && !(code in learnt)) {
        all = { ...learnt, [code]: asked };
        setCodes(all);
      }
      const after = heard(before, { code, type, atMs });
      if (after === before) return;
      live.current = { ...live.current, codes: all, now: after };
      setNow(after);
      setLast(all[code] ?? `${code}, which no key of the drawing has`);
      const key = all[code];
      if (key !== undefined && type === 'up') seen([key], 'works');
      say(heardWords(after, all), pairsOf(after, all));
    };
    const hear = (event: KeyboardEvent) => {
      // Nothing that is typed here moves the page or reaches a button of it.
      event.preventDefault();
      event.stopPropagation();
      hearCode(event.code || event.key, event.type === 'keydown' ? 'down' : 'up', event.timeStamp);
    };
    // A game pad tells nothing by itself: it is asked at each picture of the screen.
    let held: ReadonlySet<string> = new Set<string>();
    let picture = 0;
    const askPad = (atMs: number) => {
      const pad = navigator.getGamepads?.().find((one) => one !== null);
      if (pad) {
        const { events, held: now } = padEvents(held, {
          buttons: pad.buttons.map(({ pressed }) => pressed),
          axes: pad.axes,
        });
        held = now;
        for (const { code, type } of events) hearCode(code, type, atMs);
      }
      picture = requestAnimationFrame(askPad);
    };
    picture = requestAnimationFrame(askPad);
    const look = setInterval(() => {
      const { codes: learnt, now: held, onSeen: seen } = live.current;
      const stuck = staysOn(held, performance.now()).flatMap((code) => learnt[code] ?? []);
      if (stuck.length > 0) seen(stuck, 'stuck');
    }, LOOK_MS);
    window.addEventListener('keydown', hear, true);
    window.addEventListener('keyup', hear, true);
    return () => {
      clearInterval(look);
      cancelAnimationFrame(picture);
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
        {last === ''
          ? 'Plugged in by an adapter, its keys are heard here and nowhere else; a game pad too, from its first button on.'
          : `Heard last: ${last}.`}
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
