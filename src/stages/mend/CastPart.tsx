'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { boxAround, checkPot, mouldAndCast } from '@/core/mending/cast';
import { MEND_CAUTIONS } from '@/core/mending/repair/ways';
import { Refusal } from '@/core/refusal';
import { withPoint } from '@/core/units';
import { Cautions } from '@/ui/Cautions';
import { LabelledBox } from '@/ui/LabelledBox';

/** Usual sheets of tin-cured silicone and of clear casting resin; those of what is at hand go before them. */
const FIRST = {
  wallMm: '12',
  siliconeG: '1.12',
  siliconeA: '10',
  siliconeB: '1',
  resinG: '1.05',
  resinA: '1',
  resinB: '1',
  pigment: '0.5',
  bar: '0',
  rated: '',
};
type Typed = typeof FIRST;

const WORDS: Record<keyof Typed, string> = {
  wallMm: 'Silicone round the part, mm',
  siliconeG: 'Silicone, g/cm³',
  siliconeA: 'Silicone: parts A',
  siliconeB: 'Silicone: parts B',
  resinG: 'Resin, g/cm³',
  resinA: 'Resin: parts A',
  resinB: 'Resin: parts B',
  pigment: 'Pigment, % of the resin',
  bar: 'Pressure while it sets, bar',
  rated: 'The pot is rated for, bar',
};
const FIELDS = Object.keys(WORDS) as (keyof Typed)[];
const MAY_BE_0: readonly (keyof Typed)[] = ['siliconeB', 'resinB', 'pigment', 'bar'];

const g = (value: number) => (value < 10 ? value.toFixed(1) : Math.round(value).toString());

/** What a mould and a cast of a part take, by the mixing ratios of the labels, and their steps in order. */
export function CastPart({ boxMm, volumeMm3 }: { boxMm: readonly [number, number, number]; volumeMm3: number }) {
  const [typed, setTyped] = useState(FIRST);
  const amounts = amountsOf(typed, boxMm, volumeMm3);
  return (
    <Box>
      <Cautions cautions={[MEND_CAUTIONS.resin!]} />
      <Flex gap="3" wrap="wrap" my="3">
        {FIELDS.map((name) => (
          <LabelledBox
            key={name}
            label={WORDS[name]}
            inputMode="decimal"
            figures
            value={typed[name]}
            onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
          />
        ))}
      </Flex>
      <Box aria-live="polite">
        {typeof amounts === 'string' ? (
          <Text fontWeight="650" color="hazard">
            {amounts}
          </Text>
        ) : (
          <Box as="ol" ps="6">
            <li>
              Box inside {amounts.box.map((side) => side.toFixed(0)).join(' × ')} mm; the part fixed on its floor, the
              face that is seen upwards.
            </li>
            <li>
              Silicone <b>{g(amounts.siliconeG)} g</b>: {g(amounts.siliconeAG)} g of A with {g(amounts.siliconeBG)} g of
              B, poured thin from one corner. It stays for what its sheet says.
            </li>
            <li>
              <b>Release agent</b> over every face that silicone or resin will touch. Without it the halves bond for
              ever: no second half and no resin before it is on and dry.
            </li>
            <li>
              Resin <b>{g(amounts.resinG)} g</b>: {g(amounts.resinAG)} g of A with {g(amounts.resinBG)} g of B
              {amounts.pigmentG > 0 && <>, {amounts.pigmentG.toFixed(2)} g of pigment stirred into A first</>}. Poured
              within its pot life, over a vent at the highest point.
            </li>
            <li>
              {Number(withPoint(typed.bar)) > 0
                ? `Into the pot at ${typed.bar} bar, within its rating, three to four hours; let it down before it is opened.`
                : 'Without a pot: pour in a thin thread, tap the box, and wait for the bubbles.'}
            </li>
          </Box>
        )}
      </Box>
    </Box>
  );
}

function amountsOf(typed: Typed, boxMm: readonly [number, number, number], volumeMm3: number) {
  const of = (name: keyof Typed) => Number(withPoint(typed[name]));
  const wrong = FIELDS.filter((name) => name !== 'rated' || typed.rated.trim() !== '').find(
    (name) => !(of(name) >= 0) || typed[name].trim() === '' || (of(name) === 0 && !MAY_BE_0.includes(name)),
  );
  if (wrong)
    return `${WORDS[wrong]}: ${MAY_BE_0.includes(wrong) ? 'a number from 0 on' : 'a number above 0'}, as its sheet says.`;
  const box = boxAround(boxMm, of('wallMm'));
  try {
    checkPot(of('bar'), typed.rated.trim() === '' ? null : of('rated'));
    const cast = mouldAndCast({
      ...{ boxMm: box, partCm3: volumeMm3 / 1000, siliconeGPerCm3: of('siliconeG'), resinGPerCm3: of('resinG') },
      siliconeMix: { partsA: of('siliconeA'), partsB: of('siliconeB'), by: 'mass' },
      resinMix: { partsA: of('resinA'), partsB: of('resinB'), by: 'mass' },
      pigmentPercent: of('pigment'),
    });
    return { ...cast, box };
  } catch (error) {
    if (error instanceof Refusal) return error.message;
    throw error;
  }
}
