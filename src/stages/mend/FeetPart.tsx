'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { CORNERS, feetLevel } from '@/core/mending/feetLevel';
import { withPoint } from '@/core/units';
import { LabelledBox } from '@/ui/LabelledBox';

const figure = (typed: string): number => Number(withPoint(typed).trim() || NaN);
/** A small machine on rubber feet: what a case is where nobody measured it. */
const USUAL = { widthMm: 380, depthMm: 220, massKg: 3, diameterMm: 14, shoreA: 60 };

/** Four feet, measured: whether the case rocks on them, and which goes where. */
export function FeetPart() {
  const [heights, setHeights] = useState<readonly string[]>(['', '', '', '']);
  const [massKg, setMassKg] = useState(String(USUAL.massKg));
  const typed = heights.map(figure);
  const given = typed.every((mm) => mm > 0 && mm < 100) && figure(massKg) > 0;
  const [a, b, c, d] = typed as [number, number, number, number];
  const stood = given ? feetLevel({ ...USUAL, massKg: figure(massKg), heightsMm: [a, b, c, d] }) : null;
  return (
    <Box my="3">
      <Text fontWeight="650" mb="1">
        Four feet: their heights
      </Text>
      <Flex gap="3" wrap="wrap">
        {CORNERS.map((corner, i) => (
          <LabelledBox
            key={corner}
            label={`${i + 1}: ${corner}, mm`}
            inputMode="decimal"
            figures
            value={heights[i]}
            onChange={(event) => setHeights(heights.map((one, k) => (k === i ? event.target.value : one)))}
          />
        ))}
        <LabelledBox
          label="The machine weighs, kg"
          inputMode="decimal"
          figures
          value={massKg}
          onChange={(event) => setMassKg(event.target.value)}
        />
      </Flex>
      <Text mt="2" aria-live="polite">
        {stood === null
          ? 'Each with the caliper, lying flat. Which goes where is worked out from all four.'
          : stood.rocks
            ? `It rocks by ${stood.rockMm.toFixed(1)} mm as they stand, more than its weight presses out. ${
                stood.orderRockMm < stood.rockMm - 0.05
                  ? `Set from front left round: ${stood.order.join(', ')}; then it rocks by ${stood.orderRockMm.toFixed(1)} mm.`
                  : `Lay ${stood.shimMm.toFixed(1)} mm under the one ${stood.under}.`
              }`
            : `It stands: ${stood.rockMm.toFixed(1)} mm of difference, and its weight presses ${stood.pressedMm.toFixed(1)} mm out of usual rubber.`}
      </Text>
    </Box>
  );
}
