'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { assumed } from '@/core/assumptions/assumptions';
import { conducts } from '@/core/finish/rust';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LabelledBox } from '@/ui/LabelledBox';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { answerRust, keepOhm } from './actions';

/** What a part that conducts reads, before and after. */
export function OhmPart({ rustId, before, after }: { rustId: string; before: number | null; after: number | null }) {
  const most = assumed('a shield conducts');
  const { wrong, busy, send } = useSend();
  const [ohm, setOhm] = useState('');
  const keep = (when: 'before' | 'after') =>
    send(
      (once) => keepOhm(once({ rustId, when, ohm: withPoint(ohm).trim() })),
      () => {
        say('Kept.');
        setOhm('');
      },
    );
  const words = (value: number | null) => (value === null ? 'not read' : `${value} Ω`);
  return (
    <Box mt="4" mb="5">
      <Text>
        From land to land: before {words(before)}, after {words(after)}. A shield reads under {most} Ω, power off.
      </Text>
      {after !== null && !conducts(after) && (
        <Text fontWeight="650">It does not conduct well enough: bare the lands, tighten the screws, read again.</Text>
      )}
      <Flex gap="2" wrap="wrap" align="end" mt="1">
        <LabelledBox
          label="From land to land, Ω"
          inputMode="decimal"
          figures
          value={ohm}
          onChange={(event) => setOhm(event.target.value)}
        />
        <Button disabled={busy || ohm.trim() === ''} onClick={() => keep('before')}>
          Read before
        </Button>
        <Button disabled={busy || ohm.trim() === ''} onClick={() => keep('after')}>
          Read after
        </Button>
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}

/** What became of a rusted place. */
export function RustEndPart({ rustId, name }: { rustId: string; name: string }) {
  const { wrong, busy, send } = useSend();
  const [words, setWords] = useState('');
  const end = (outcome: 'done' | 'left' | 'replaced') =>
    send(
      (once) => answerRust(once({ rustId, outcome, words })),
      () => say('In the record.'),
    );
  return (
    <Fold summary={`What became of it: ${name}`}>
      <Box maxWidth="560px">
        <LabelledBox label="Why, or how" value={words} onChange={(event) => setWords(event.target.value)} />
      </Box>
      <Flex gap="2" wrap="wrap" mt="2">
        <Button bench disabled={busy} onClick={() => end('done')}>
          Done
        </Button>
        <Button bench disabled={busy} onClick={() => end('left')}>
          Left as it is
        </Button>
        <Button bench disabled={busy} onClick={() => end('replaced')}>
          Another part is in its place
        </Button>
      </Flex>
      <Wrong words={wrong} />
    </Fold>
  );
}
