'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { lookThrough, seenThrough, type Look } from '@/core/mending/films';

const LOOK_WORDS: Record<Look, string> = {
  'dark on light': 'dark digits on light, as most displays are',
  'light on dark': 'light digits on dark, turned over',
  'hardly to be read': 'hardly to be read',
};
const STEP_DEG = 15;

/** Seven strokes of a digit, as boxes in a field of 40 × 64. */
const STROKES = [
  [10, 6, 20, 5],
  [29, 11, 5, 19],
  [29, 34, 5, 19],
  [10, 53, 20, 5],
  [6, 34, 5, 19],
  [6, 11, 5, 19],
  [10, 29.5, 20, 5],
] as const;
const ON = [0, 1, 2, 3, 6];

const grey = (light: number) => `hsl(84 8% ${Math.round(14 + 70 * light)}%)`;

/** Which way round a new polarising film goes: turned over the lower one, and what the display shows by that. */
export function FilmsDrawing() {
  const [deg, setDeg] = useState(90);
  const seen = seenThrough(deg);
  const words = LOOK_WORDS[lookThrough(seen)];
  return (
    <Box my="3" maxWidth="560px">
      <Flex gap="4" align="center" wrap="wrap">
        <svg
          viewBox="0 0 150 84"
          width="300"
          role="img"
          aria-label={`Two films at ${deg} degrees, and what a display shows: ${words}`}
        >
          <Film x={38} deg={0} />
          <Film x={38} deg={deg} upper />
          <g transform="translate(100 10)">
            <rect width="44" height="64" fill={grey(seen.off)} stroke="currentColor" strokeWidth="0.8" />
            {STROKES.map(([x, y, width, height], i) => (
              <rect
                key={`${x} ${y}`}
                {...{ x: x + 1, y, width, height }}
                fill={grey(ON.includes(i) ? seen.on : seen.off)}
              />
            ))}
          </g>
        </svg>
        <label>
          <Text fontSize="15px">Turn the upper film: {deg}°</Text>
          <input
            type="range"
            min="0"
            max="180"
            step={STEP_DEG}
            value={deg}
            style={{ width: '240px', minHeight: 44, accentColor: 'var(--chakra-colors-work)' }}
            aria-valuetext={`${deg} degrees: ${words}`}
            onChange={(event) => setDeg(Number(event.target.value))}
          />
        </label>
      </Flex>
      <Text aria-live="polite">
        At {deg}° to the film below, {Math.round(100 * seen.off)} % of the light comes through where nothing is shown
        and {Math.round(100 * seen.on)} % where a stroke is on: <b>{words}</b>. Turned over its face it is the same;
        turned by a quarter it is the other picture.
      </Text>
    </Box>
  );
}

/** A round of film with its direction as lines. */
function Film({ x, deg, upper = false }: { x: number; deg: number; upper?: boolean }) {
  return (
    <g transform={`translate(${x} 42) rotate(${deg})`} opacity={upper ? 0.75 : 1}>
      <circle r={upper ? 24 : 34} fill="none" stroke="currentColor" strokeWidth="1.2" />
      {[-18, -12, -6, 0, 6, 12, 18].map((y) => {
        const reach = Math.sqrt((upper ? 24 : 34) ** 2 - y * y);
        return <path key={y} d={`M${-reach} ${y} H${reach}`} stroke="currentColor" strokeWidth={upper ? 1.4 : 0.5} />;
      })}
    </g>
  );
}
