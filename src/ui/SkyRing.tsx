import type { Obstacle } from '@/core/sun/horizon';

/** A point of the sky seen from above: north up, the horizon as the rim, straight up in the middle. */
export function skyPoint(azimuthDeg: number, elevationDeg: number, radius: number): { x: number; y: number } {
  const [turn, far] = [(azimuthDeg * Math.PI) / 180, (radius * (90 - Math.max(0, elevationDeg))) / 90];
  return { x: far * Math.sin(turn), y: -far * Math.cos(turn) };
}

/** The outline of an obstacle: along the rim from its left to its right edge, and back at its height. */
function outline({ fromDeg, toDeg, heightDeg }: Obstacle, radius: number): string {
  const wide = (((toDeg - fromDeg) % 360) + 360) % 360 || 360;
  const steps = Math.max(2, Math.ceil(wide / 5));
  const along = (elevation: number) =>
    Array.from({ length: steps + 1 }, (_, i) => skyPoint(fromDeg + (wide * i) / steps, elevation, radius));
  return [...along(0), ...along(heightDeg).reverse()].map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');
}

interface Props {
  obstacles: readonly Obstacle[];
  /** The sun's course, one point after another. */
  course?: readonly { azimuthDeg: number; elevationDeg: number }[];
  label: string;
  /** What lies in the middle. */
  children?: React.ReactNode;
}

export const RING = 100;

/** The sky over the bench, seen from above: what stands in the way, and the sun's arc. */
export function SkyRing({ obstacles, course = [], label, children }: Props) {
  const up = course.filter(({ elevationDeg }) => elevationDeg > 0);
  return (
    <svg
      viewBox="-124 -124 248 248"
      role="img"
      aria-label={label}
      style={{ width: '100%', maxWidth: 420, display: 'block' }}
    >
      <circle r={RING} fill="var(--chakra-colors-sheet)" stroke="var(--chakra-colors-line-strong)" />
      <circle r={RING / 2} fill="none" stroke="var(--chakra-colors-line)" strokeDasharray="3 4" />
      {obstacles.map((obstacle) => (
        <polygon
          key={`${obstacle.fromDeg}:${obstacle.toDeg}:${obstacle.heightDeg}`}
          points={outline(obstacle, RING)}
          fill="var(--chakra-colors-soft)"
          opacity={0.55}
        />
      ))}
      {up.length > 1 && (
        <polyline
          points={up
            .map(({ azimuthDeg, elevationDeg }) => skyPoint(azimuthDeg, elevationDeg, RING))
            .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
            .join(' ')}
          fill="none"
          stroke="var(--chakra-colors-sun)"
          strokeWidth={5}
          strokeLinecap="round"
        />
      )}
      {(['N', 'E', 'S', 'W'] as const).map((name, i) => {
        const { x, y } = skyPoint(90 * i, 0, RING + 13);
        return (
          <text
            key={name}
            x={x}
            y={y}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={15}
            fontWeight={650}
            fill="var(--chakra-colors-ink)"
          >
            {name}
          </text>
        );
      })}
      {children}
    </svg>
  );
}
