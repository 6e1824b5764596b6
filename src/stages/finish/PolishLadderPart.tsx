'use client';

import { Box, Text } from '@chakra-ui/react';
import { useState } from 'react';
import {
  DULLNESS,
  POLISHED,
  polishLadder,
  POLISH_LIMITS,
  POLISH_WORDS,
  type Dullness,
  type Polished,
} from '@/core/finish/polish';
import { Check } from '@/ui/Check';
import { Chips } from '@/ui/Chips';

const named = <T extends string>(of: readonly T[]) => Object.fromEntries(of.map((one) => [one, one])) as Record<T, T>;

/** The steps that a surface bears, gentlest first, and its limits before them. */
export function PolishLadderPart() {
  const [what, setWhat] = useState<Polished>('clear window');
  const [dull, setDull] = useState<Dullness>('dull all over');
  const [inside, setInside] = useState(false);
  const { steps, without } = polishLadder(what, dull, inside);
  return (
    <>
      <Chips label="What is polished" of={POLISHED} words={named(POLISHED)} chosen={what} onChoose={setWhat} bench />
      <Chips label="How it looks" of={DULLNESS} words={named(DULLNESS)} chosen={dull} onChoose={setDull} bench />
      {what === 'screen glass' && (
        <Check checked={inside} onChange={setInside}>
          It has a coat against glare, or nobody knows
        </Check>
      )}
      {without && (
        <Text my="2" fontWeight="650" color="hazard">
          {POLISH_LIMITS[without]} Follow the product’s sheet and your local rules.
        </Text>
      )}
      <Box as="ol" pl="5">
        {steps.map((step) => (
          <Box as="li" key={step} py="1">
            <b>{step}</b>: {POLISH_WORDS[step]}
          </Box>
        ))}
      </Box>
    </>
  );
}
