'use client';

import { feature } from 'topojson-client';
import land from 'world-atlas/land-110m.json';

interface Props {
  latitude: number | null;
  longitude: number | null;
  onPick: (latitude: number, longitude: number) => void;
}

const WIDTH = 360;
const HEIGHT = 180;
/** Each outline as a path, in degrees: x east, y south. */
const WORLD = land as unknown as Parameters<typeof feature>[0];
const OUTLINES = feature(WORLD, WORLD.objects.land!) as unknown as GeoJSON.FeatureCollection<GeoJSON.MultiPolygon>;
const LAND = OUTLINES.features
  .flatMap(({ geometry }) => geometry.coordinates.flat())
  .map((ring) =>
    // What goes on at the other edge of the map begins there anew.
    ring
      .map(
        ([x = 0, y = 0], i) =>
          `${i === 0 || Math.abs(x - (ring[i - 1]![0] ?? 0)) > 180 ? 'M' : 'L'}${x.toFixed(1)},${(-y).toFixed(1)}`,
      )
      .join(''),
  )
  .join('');

const DEGREES: Record<string, [number, number]> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** An outline of the world's land: tap the place; arrow keys move it by a degree, with shift by ten. */
export function PlaceMap({ latitude, longitude, onPick }: Props) {
  const pick = (lat: number, lon: number) =>
    onPick(
      Math.max(-90, Math.min(90, Math.round(lat * 10) / 10)),
      Math.max(-180, Math.min(180, Math.round(lon * 10) / 10)),
    );
  return (
    <svg
      viewBox={`-180 -90 ${WIDTH} ${HEIGHT}`}
      role="application"
      tabIndex={0}
      aria-label={`Map of the world. ${latitude === null ? 'No place yet' : `Latitude ${latitude}, longitude ${longitude}`}. Arrow keys move the place by a degree.`}
      style={{
        width: '100%',
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
      <path d={LAND} fill="var(--chakra-colors-line)" stroke="var(--chakra-colors-line-strong)" strokeWidth={0.4} />
      {latitude !== null && longitude !== null && (
        <g transform={`translate(${longitude} ${-latitude})`}>
          <circle r={4} fill="var(--chakra-colors-work)" />
          <circle r={9} fill="none" stroke="var(--chakra-colors-work)" strokeWidth={1.5} />
        </g>
      )}
    </svg>
  );
}
