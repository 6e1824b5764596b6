'use client';

import { Box, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { KeyboardKind } from '@/core/keyboard/kinds';
import {
  CAUSE,
  FELT,
  FELT_WORDS,
  stickingCauses,
  WHERE,
  WHERE_WORDS,
  type Felt,
  type Where,
} from '@/core/keyboard/sticking';
import { Chips } from '@/ui/Chips';
import { oddsWords } from './marks';

/** From what a finger feels to what it is, and what mends it, gentlest first. */
export function StickingPart({ kind }: { kind: KeyboardKind }) {
  const [felt, setFelt] = useState<Felt | null>(null);
  const [where, setWhere] = useState<Where | null>(null);
  const causes = felt && where ? stickingCauses(felt, where, kind) : [];
  return (
    <>
      <Chips label="How it feels" of={FELT} words={FELT_WORDS} chosen={felt} onChoose={setFelt} />
      <Chips label="With how many" of={WHERE} words={WHERE_WORDS} chosen={where} onChoose={setWhere} />
      <Box aria-live="polite">
        {causes.map(({ cause, share }, i) => (
          <Box key={cause} borderTopWidth="1px" borderColor="line" py="2">
            <Text fontWeight={i === 0 ? '650' : '400'}>
              {CAUSE[cause].what}{' '}
              <Text as="span" color="soft">
                About {oddsWords(share)}.
              </Text>
            </Text>
            <Box as="ol" ps="6">
              {CAUSE[cause].mends.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </Box>
          </Box>
        ))}
        {causes.length > 0 && (
          <Text color="soft">
            It passes when it comes back by itself many times, before the cover goes on. Odds are guesses of ours.
          </Text>
        )}
      </Box>
    </>
  );
}
