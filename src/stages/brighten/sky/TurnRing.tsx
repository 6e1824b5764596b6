import { EDGES, type Turn } from '@/core/session/turnPlan';
import { RING, SkyRing, skyPoint } from '@/ui/SkyRing';
import type { TurnView } from './turnsOf';

/** The piece from above as it lies at a turn, under the sun's arc and what stands in its way. */
export function TurnRing({ view: { course, obstacles, size }, turn }: { view: TurnView; turn: Turn }) {
  const scale = 62 / Math.max(size.lengthMm, size.widthMm);
  const [w, d] = [size.lengthMm * scale, size.widthMm * scale];
  const during = course.filter(({ time }) => time >= turn.from && time <= turn.to);
  const sun = during[Math.floor(during.length / 2)];
  const at = sun && sun.elevationDeg > 0 ? skyPoint(sun.azimuthDeg, sun.elevationDeg, RING) : null;
  const turned = (turn.headingDeg * Math.PI) / 180;
  const far = d / 2 + 26;
  const tip = { x: far * Math.sin(turned), y: -far * Math.cos(turned) };
  const raised = turn.raised === null ? null : EDGES.indexOf(turn.raised);
  // Front lies towards −y before it is turned; right follows clockwise.
  const edges = [
    { x1: -w / 2, y1: -d / 2, x2: w / 2, y2: -d / 2 },
    { x1: w / 2, y1: -d / 2, x2: w / 2, y2: d / 2 },
    { x1: -w / 2, y1: d / 2, x2: w / 2, y2: d / 2 },
    { x1: -w / 2, y1: -d / 2, x2: -w / 2, y2: d / 2 },
  ];
  return (
    <SkyRing
      obstacles={obstacles}
      course={course}
      label={`Seen from above: front to ${turn.headingDeg}°${turn.raised ? `, ${turn.raised} edge propped up` : ''}`}
    >
      <g transform={`rotate(${turn.headingDeg})`}>
        <rect
          x={-w / 2}
          y={-d / 2}
          width={w}
          height={d}
          fill="var(--chakra-colors-paper)"
          stroke="var(--chakra-colors-ink)"
          strokeWidth={2}
        />
        {raised !== null && <line {...edges[raised]!} stroke="var(--chakra-colors-work)" strokeWidth={7} />}
        <path d={`M 0 ${-d / 2 - 14} l 7 12 h -14 z`} fill="var(--chakra-colors-ink)" />
      </g>
      <text
        x={tip.x}
        y={tip.y}
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={12}
        fill="var(--chakra-colors-ink)"
      >
        front
      </text>
      {at && (
        <circle
          cx={at.x}
          cy={at.y}
          r={9}
          fill="var(--chakra-colors-sun)"
          stroke="var(--chakra-colors-ink)"
          strokeWidth={1.5}
        />
      )}
    </SkyRing>
  );
}
