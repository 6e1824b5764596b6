'use client';

import { Box, Text } from '@chakra-ui/react';

interface Props {
  latitude: number | null;
  longitude: number | null;
  onPick: (latitude: number, longitude: number) => void;
}

const WIDTH = 360;
const HEIGHT = 180;
const NAMED = [
  { latitude: 66.56, label: 'polar circle' },
  { latitude: 23.44, label: 'tropic' },
  { latitude: 0, label: 'equator' },
  { latitude: -23.44, label: 'tropic' },
  { latitude: -66.56, label: 'polar circle' },
];
const DEGREES: Record<string, [number, number]> = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] };

/** A plain world grid: tap the place; arrow keys move it by a degree, with shift by ten. */
export function PlaceGrid({ latitude, longitude, onPick }: Props) {
  const pick = (lat: number, lon: number) =>
    onPick(Math.max(-90, Math.min(90, Math.round(lat * 10) / 10)), Math.max(-180, Math.min(180, Math.round(lon * 10) / 10)));
  return (
    <Box>
      <Text mb="1">Or tap the place on the grid. Lines stand every 30°, north is up.</Text>
      <svg
        viewBox={`-180 -90 ${WIDTH} ${HEIGHT}`}
        role="application"
        tabIndex={0}
        aria-label={`World grid. ${latitude === null ? 'No place yet' : `Latitude ${latitude}, longitude ${longitude}`}. Arrow keys move the place by a degree.`}
        style={{
          width: '100%',
          maxWidth: 620,
          background: 'var(--chakra-colors-sheet)',
          border: '1px solid var(--chakra-colors-line-strong)',
          cursor: 'crosshair',
          touchAction: 'manipulation',
        }}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          pick(90 - (180 * (event.clientY - box.top)) / box.height, (360 * (event.clientX - box.left)) / box.width - 180);
        }}
        onKeyDown={(event) => {
          const move = DEGREES[event.key];
          if (!move) return;
          event.preventDefault();
          const by = event.shiftKey ? 10 : 1;
          pick((latitude ?? 0) + by * move[0], (longitude ?? 0) + by * move[1]);
        }}
      >
        {Array.from({ length: 11 }, (_, i) => -150 + 30 * i).map((x) => (
          <line key={x} x1={x} x2={x} y1={-90} y2={90} stroke="var(--chakra-colors-line)" strokeWidth={x === 0 ? 1 : 0.5} />
        ))}
        {NAMED.map(({ latitude: lat, label }) => (
          <g key={lat}>
            <line
              x1={-180}
              x2={180}
              y1={-lat}
              y2={-lat}
              stroke="var(--chakra-colors-line-strong)"
              strokeWidth={0.5}
              strokeDasharray={lat === 0 ? undefined : '2 2'}
            />
            <text x={-178} y={-lat - 1.5} fontSize={7} fill="var(--chakra-colors-soft)">
              {label}
            </text>
          </g>
        ))}
        {latitude !== null && longitude !== null && (
          <g transform={`translate(${longitude} ${-latitude})`}>
            <circle r={4} fill="var(--chakra-colors-work)" />
            <circle r={9} fill="none" stroke="var(--chakra-colors-work)" strokeWidth={1.5} />
          </g>
        )}
      </svg>
    </Box>
  );
}
