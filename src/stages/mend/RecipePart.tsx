'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { BASE_G } from '@/core/finish/dropUses';
import { withPoint } from '@/core/units';
import { LabelledBox } from '@/ui/LabelledBox';

/** Fewer drops than this are counted too coarsely. */
const FEW_DROPS = 3;

/** Colours side by side, without a gap between them. */
export function Swatches({ colours }: { colours: readonly string[] }) {
  return (
    <Flex aria-hidden borderWidth="1px" borderColor="line" borderRadius="4px" overflow="hidden" flex="none">
      {colours.map((colour, i) => (
        <Box key={i} width="44px" height="34px" style={{ background: colour }} />
      ))}
    </Flex>
  );
}

interface Props {
  recipe: readonly { id: string; concentration: number }[];
  /** CSS colours of the plastic and of the mixture as it is expected. */
  target: string;
  predicted: string;
  deltaE00: number;
  mayBeOff: number;
  reachable: boolean;
  /** How near the nearest drop came. */
  nearest: number;
}

/** The next mixture, for as much base as is weighed out. */
export function RecipePart({ recipe, target, predicted, deltaE00, mayBeOff, reachable, nearest }: Props) {
  const [typed, setTyped] = useState(String(BASE_G));
  const grams = Number(withPoint(typed).trim() || NaN);
  const used = recipe.filter(({ concentration }) => concentration > 0.005);
  const drops = (concentration: number) => (concentration * grams) / BASE_G;
  const few = used.filter(({ concentration }) => drops(concentration) < FEW_DROPS);
  return (
    <Box>
      <Flex gap="4" wrap="wrap" align="end" mb="2">
        <LabelledBox
          label="Base weighed out, g"
          inputMode="decimal"
          figures
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Flex gap="2" align="center">
          <Swatches colours={[target, predicted]} />
          <Text color="soft" fontSize="15px">
            plastic, mixture
          </Text>
        </Flex>
      </Flex>
      {grams > 0 && grams <= 100_000 ? (
        <Box aria-live="polite">
          <Text fontSize="20px" fontFamily="mono">
            {used.length === 0
              ? 'nothing added'
              : used.map(({ id, concentration }) => `${drops(concentration).toFixed(1)} ${id}`).join(', ')}
          </Text>
          {few.length > 0 && (
            <Text color="soft">
              Under {FEW_DROPS} drops of {few.map(({ id }) => id).join(' and ')}: thin it in base first, or weigh out
              more base.
            </Text>
          )}
          <Text>
            {reachable
              ? `Worked out to ΔE00 ${deltaE00.toFixed(1)}; nine mixtures in ten come within ${mayBeOff.toFixed(1)}. Under 1 nobody tells them apart side by side.`
              : `These pigments do not reach this colour: the nearest mixture stays ΔE00 ${deltaE00.toFixed(1)} away. Another pigment is needed.`}
          </Text>
          <Text color="soft">
            Nearest drop so far: ΔE00 {nearest.toFixed(1)}. Mix a drop of this, photograph it, and the next mixture is
            put right by it.
          </Text>
        </Box>
      ) : (
        <Text fontWeight="650" color="hazard">
          Type how much base is weighed out, in g above 0.
        </Text>
      )}
    </Box>
  );
}
