'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { Srgb } from '@/core/colour/types';
import { labToCss, srgbToLab } from '@/core/colour/lab';
import { BASE_G, gramsOfDrops, type DropUse } from '@/core/finish/dropUses';
import { GLOSSES, inOtherGloss, type Gloss } from '@/core/finish/gloss';
import { withPoint } from '@/core/units';
import { Fold } from '@/ui/Fold';
import { LabelledBox } from '@/ui/LabelledBox';
import { Select } from '@/ui/Select';
import { USE_WORDS } from './useWords';

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
  use: DropUse;
  recipe: readonly { id: string; concentration: number }[];
  /** CSS colour of what is matched. */
  target: string;
  /** The mixture as it is expected. */
  predicted: Srgb;
  deltaE00: number;
  mayBeOff: number;
  reachable: boolean;
  /** How near the nearest drop came. */
  nearest: number;
}

/** The next mixture, for as much base as is weighed out. */
export function RecipePart({ use, recipe, target, predicted, deltaE00, mayBeOff, reachable, nearest }: Props) {
  const [typed, setTyped] = useState(String(BASE_G));
  const [of20, setOf20] = useState('');
  const words = USE_WORDS[use];
  const number = (text: string) => Number(withPoint(text).trim() || NaN);
  const grams = number(typed);
  const weighed = number(of20) > 0 ? number(of20) : null;
  const used = recipe.filter(({ concentration }) => concentration > 0.005);
  const drops = (concentration: number) => (concentration * grams) / BASE_G;
  const few = used.filter(({ concentration }) => drops(concentration) < FEW_DROPS);
  return (
    <Box>
      <Flex gap="4" wrap="wrap" align="end" mb="2">
        <LabelledBox
          label={use === 'cast' ? 'Base weighed out, g' : 'Weighed out of the first paint, g'}
          inputMode="decimal"
          figures
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Flex gap="2" align="center">
          <Swatches colours={[target, labToCss(srgbToLab(predicted))]} />
          <Text color="soft" fontSize="15px">
            {words.side}, mixture
          </Text>
        </Flex>
      </Flex>
      {grams > 0 && grams <= 100_000 ? (
        <Box aria-live="polite">
          <Text fontSize="20px" fontFamily="mono">
            {used.length === 0
              ? 'nothing added'
              : used
                  .map(
                    ({ id, concentration }) =>
                      `${drops(concentration).toFixed(1)} drops of ${id} (${gramsOfDrops(drops(concentration), weighed).toFixed(2)} g)`,
                  )
                  .join(', ')}
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
              : `These ${words.adds}s do not reach this colour: the nearest mixture stays ΔE00 ${deltaE00.toFixed(1)} away. Another ${words.adds} is needed.`}
          </Text>
          <Text color="soft">
            Nearest {words.one} so far: ΔE00 {nearest.toFixed(1)}. Mix this, let a {words.one} of it{' '}
            {use === 'cast' ? 'set' : 'dry'}, photograph it, and the next mixture is put right by it.
          </Text>
        </Box>
      ) : (
        <Text fontWeight="650" color="hazard">
          Type how much base is weighed out, in g above 0.
        </Text>
      )}
      <Fold quiet summary={use === 'paint' ? 'Grams of a drop, and what gloss does' : 'Grams of a drop'}>
        <LabelledBox
          label="20 drops weigh, g"
          inputMode="decimal"
          figures
          placeholder={gramsOfDrops(20, null).toFixed(1)}
          value={of20}
          onChange={(event) => setOf20(event.target.value)}
        />
        {use === 'paint' && <GlossPart mixture={predicted} />}
      </Fold>
    </Box>
  );
}

const CHOICES = GLOSSES.map((value) => ({ value, label: value }));
/** Less than this is not seen side by side, ΔE00. */
const SEEN = 1;

/** What happens to the eye when the paint on the piece dries in another gloss than the test card. */
function GlossPart({ mixture }: { mixture: Srgb }) {
  const [from, setFrom] = useState<Gloss>('satin');
  const [to, setTo] = useState<Gloss>('satin');
  const { lightness, deltaE00 } = inOtherGloss(mixture, from, to);
  return (
    <Box mt="3">
      <Flex gap="3" wrap="wrap">
        <label>
          <Text fontSize="15px">The test card is</Text>
          <Select value={from} options={CHOICES} onChange={(event) => setFrom(event.target.value as Gloss)} />
        </label>
        <label>
          <Text fontSize="15px">On the piece it is</Text>
          <Select value={to} options={CHOICES} onChange={(event) => setTo(event.target.value as Gloss)} />
        </label>
      </Flex>
      <Text aria-live="polite" mt="2" maxWidth="62ch">
        {from === to
          ? 'Card and piece in one gloss are compared as they are.'
          : deltaE00 < SEEN
            ? `Of this colour nobody sees the other gloss beside it: ΔE00 ${deltaE00.toFixed(1)}.`
            : `The same paint looks ${lightness < 0 ? 'darker' : 'lighter'} there by about ${Math.abs(lightness).toFixed(0)} L*, ΔE00 ${deltaE00.toFixed(1)}: make the test card as glossy as the piece will be, and mix by that.`}
      </Text>
    </Box>
  );
}
