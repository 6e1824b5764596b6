import type { Drive } from '@/core/teardown/lots';

/** A star of so many points, as the path of a recess round the middle. */
const star = (points: number, outer: number, inner: number): string =>
  Array.from({ length: 2 * points }, (_, i) => {
    const [r, angle] = [i % 2 === 0 ? outer : inner, (Math.PI * i) / points];
    return `${i === 0 ? 'M' : 'L'}${(r * Math.sin(angle)).toFixed(2)},${(-r * Math.cos(angle)).toFixed(2)}`;
  }).join('') + 'Z';

const CROSS = 'M-1.6,-7H1.6V-1.6H7V1.6H1.6V7H-1.6V1.6H-7V-1.6H-1.6Z';
const HEXAGON = star(6, 6.5, 5.63);

/** What each drive looks like from above, in a box from −10 to 10; `null` where it has no recess. */
const RECESS: Record<Drive, string | null> = {
  cross: CROSS,
  slot: 'M-8,-1.3H8V1.3H-8Z',
  'hexagon socket': HEXAGON,
  'six-lobe': star(6, 7, 4.4),
  'six-lobe with pin': star(6, 7, 4.4),
  'hexagon head': null,
  'three-wing': star(3, 8, 1.8),
  other: null,
};

/** A drive as it is seen in the hole, to choose it by its look. */
export function DriveMark({ drive }: { drive: Drive }) {
  const recess = RECESS[drive];
  return (
    <svg viewBox="-11 -11 22 22" width="30" height="30" aria-hidden>
      {drive === 'hexagon head' ? (
        <path d={star(6, 10, 8.66)} fill="none" stroke="currentColor" strokeWidth="1.5" />
      ) : (
        <circle r="10" fill="none" stroke="currentColor" strokeWidth="1.5" />
      )}
      {recess && <path d={recess} fill="currentColor" />}
      {drive === 'six-lobe with pin' && <circle r="1.8" fill="var(--chakra-colors-sheet)" />}
      {drive === 'other' && (
        <text y="4" textAnchor="middle" fontSize="12" fill="currentColor">
          ?
        </text>
      )}
    </svg>
  );
}
