'use client';

import { Box } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { CONNECTOR, type Line } from '@/core/keyboard/board';
import { metAt, type Board, type BoardKey } from '@/core/keyboard/layout';

/** How a key is shown: a tone, a sign that says the same, and words for who does not see it. */
export interface Mark {
  tone: 'good' | 'bad' | 'warn' | 'chosen';
  sign: string;
  words: string;
}

/** A line over the keys; one of its segments, counted from 1, may be broken. */
interface DrawnLine {
  line: Line;
  brokenAt?: number;
}

interface Props {
  board: Pick<Board, 'widthMm' | 'heightMm' | 'keys'>;
  label: string;
  marks?: Readonly<Record<string, Mark>>;
  lines?: readonly DrawnLine[];
  /** Two places of a line where the tips go. */
  tips?: { line: Line; from: string; to: string } | null;
  /** Keys whose stem is to be looked for before they are pulled. */
  stems?: readonly string[];
  onTap?: (key: string) => void;
}

const TONES: Record<Mark['tone'], { fill: string; ink: string }> = {
  good: { fill: 'var(--chakra-colors-paper)', ink: 'var(--chakra-colors-work)' },
  bad: { fill: 'var(--chakra-colors-ink)', ink: 'var(--chakra-colors-paper)' },
  warn: { fill: 'var(--chakra-colors-amber)', ink: '#22282b' },
  chosen: { fill: 'var(--chakra-colors-sheet)', ink: 'var(--chakra-colors-ink)' },
};
const PLAIN = { fill: 'var(--chakra-colors-paper)', ink: 'var(--chakra-colors-ink)' };
/** A key is at least so wide on a screen that it can be met with a glove, px. */
const THUMB_PX = 44;

const middle = ({ x, y, w, h }: BoardKey): [number, number] => [x + w / 2, y + h / 2];

/** Where a line begins at the rim: rows at the left, columns above. */
const rim = (line: Line, [x, y]: [number, number]): [number, number] => (line.kind === 'row' ? [0, y] : [x, 0]);

function placesOf(line: Line, keys: readonly BoardKey[]): [number, number][] {
  const on = line.route.flatMap((id) => keys.find((key) => key.id === id) ?? []).map((key) => metAt(line.kind, key));
  return on.length === 0 ? [] : [rim(line, on[0]!), ...on];
}

/** The key that lies next in the direction of an arrow. */
function nextKey(keys: readonly BoardKey[], from: BoardKey, arrow: string): BoardKey | null {
  const [x, y] = middle(from);
  const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[arrow];
  if (!step) return null;
  const [dx, dy] = step as [number, number];
  let best: { key: BoardKey; cost: number } | null = null;
  for (const key of keys) {
    const [kx, ky] = middle(key);
    const along = (kx - x) * dx + (ky - y) * dy;
    const across = Math.abs((kx - x) * dy) + Math.abs((ky - y) * dx);
    if (along < 1) continue;
    const cost = along + 3 * across;
    if (!best || cost < best.cost) best = { key, cost };
  }
  return best?.key ?? null;
}

/** A keyboard in the plane, to scale: every key can be tapped, or reached with the arrows and pressed. */
export function BoardDrawing({ board, label, marks = {}, lines = [], tips = null, stems = [], onTap }: Props) {
  const { widthMm, heightMm, keys } = board;
  const [at, setAt] = useState(keys[0]?.id);
  const place = useRef<SVGSVGElement>(null);
  const narrowest = Math.min(...keys.map(({ w, h }) => Math.min(w, h)));
  const go = (key: BoardKey, arrow: string) => {
    const next = nextKey(keys, key, arrow);
    if (!next) return;
    setAt(next.id);
    place.current?.querySelector<SVGGElement>(`[data-key="${CSS.escape(next.id)}"]`)?.focus();
  };
  return (
    <Box overflowX="auto" borderWidth="1px" borderColor="lineStrong" bg="sheet" tabIndex={-1}>
      <svg
        ref={place}
        viewBox={`-2 -2 ${widthMm + 4} ${heightMm + 4}`}
        role="group"
        aria-label={label}
        style={{
          display: 'block',
          width: '100%',
          ...(onTap && {
            minWidth: `${Math.round((THUMB_PX * (widthMm + 4)) / narrowest)}px`,
            minHeight: `${Math.round((THUMB_PX * (heightMm + 4)) / narrowest)}px`,
          }),
          maxHeight: onTap ? '54vh' : '42vh',
          touchAction: 'pan-x pan-y',
        }}
      >
        <rect x={0} y={0} width={widthMm} height={heightMm} rx={3} fill="var(--chakra-colors-line)" />
        {keys.map((key) => {
          const mark = marks[key.id];
          const { fill, ink } = mark ? TONES[mark.tone] : PLAIN;
          const size = Math.min(0.34 * key.h, (1.5 * key.w) / Math.max(2, key.id.length + (mark ? 2 : 0)));
          return (
            <g
              key={key.id}
              data-key={key.id}
              role={onTap ? 'button' : 'img'}
              aria-label={mark ? `${key.id}, ${mark.words}` : key.id}
              {...(onTap && {
                tabIndex: at === key.id ? 0 : -1,
                style: { cursor: 'pointer' },
                onFocus: () => setAt(key.id),
                onClick: () => onTap(key.id),
                onKeyDown: (event: React.KeyboardEvent) => {
                  if (event.key === 'Enter' || event.key === ' ') {
                    event.preventDefault();
                    onTap(key.id);
                  } else if (event.key.startsWith('Arrow')) {
                    event.preventDefault();
                    go(key, event.key);
                  }
                },
              })}
            >
              <rect
                x={key.x}
                y={key.y}
                width={key.w}
                height={key.h}
                rx={1.6}
                fill={fill}
                stroke={mark?.tone === 'chosen' ? 'var(--chakra-colors-work)' : 'var(--chakra-colors-line-strong)'}
                strokeWidth={mark?.tone === 'chosen' ? 1.2 : 0.4}
              />
              <text
                x={key.x + key.w / 2}
                y={key.y + key.h / 2}
                dy="0.35em"
                textAnchor="middle"
                style={{ fontSize: `${size}px`, fontWeight: 650 }}
                fill={ink}
                pointerEvents="none"
              >
                {mark ? `${mark.sign} ${key.id}` : key.id}
              </text>
            </g>
          );
        })}
        {keys
          .filter(({ id }) => stems.includes(id))
          .map(({ id, x, y, w, h }) => (
            <rect
              key={`stem ${id}`}
              x={x + 0.2 * w}
              y={y + 0.16 * h}
              width={0.6 * w}
              height={0.16 * h}
              rx={0.08 * h}
              fill="none"
              stroke="var(--chakra-colors-ink)"
              strokeWidth={0.5}
              strokeDasharray="1.4 1.2"
              pointerEvents="none"
              aria-hidden
            />
          ))}
        {lines.map(({ line, brokenAt }) => (
          <LineOnBoard key={`${line.kind} ${line.id}`} line={line} keys={keys} brokenAt={brokenAt} />
        ))}
        {tips && <Tips {...tips} keys={keys} />}
      </svg>
    </Box>
  );
}

function LineOnBoard({
  line,
  keys,
  brokenAt,
}: {
  line: Line;
  keys: readonly BoardKey[];
  brokenAt: number | undefined;
}) {
  const places = placesOf(line, keys);
  return (
    <g pointerEvents="none" aria-hidden>
      {places.slice(1).map((to, i) => {
        const from = places[i]!;
        const folds = line.foldAfter.includes(i === 0 ? CONNECTOR : line.route[i - 1]!);
        const broken = brokenAt === i + 1;
        const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
        return (
          <g key={i}>
            <line
              x1={from[0]}
              y1={from[1]}
              x2={to[0]}
              y2={to[1]}
              stroke={broken ? 'var(--chakra-colors-hazard)' : 'var(--chakra-colors-work)'}
              strokeWidth={broken ? 2.2 : 1}
              strokeDasharray={broken ? '2.2 1.8' : folds ? '0.6 1.2' : undefined}
              opacity={broken ? 1 : 0.75}
            />
            {broken && (
              <path
                d={`M${mx - 3} ${my - 3} L${mx + 3} ${my + 3} M${mx + 3} ${my - 3} L${mx - 3} ${my + 3}`}
                stroke="var(--chakra-colors-hazard)"
                strokeWidth={1.6}
              />
            )}
          </g>
        );
      })}
    </g>
  );
}

/** The two tips of the meter. */
function Tips({ line, from, to, keys }: { line: Line; from: string; to: string; keys: readonly BoardKey[] }) {
  const places = placesOf(line, keys);
  const placeOf = (point: string) => places[point === CONNECTOR ? 0 : 1 + line.route.indexOf(point)];
  return (
    <g pointerEvents="none" aria-hidden>
      {[from, to].map((point) => {
        const at = placeOf(point);
        return (
          at && (
            <circle
              key={point}
              cx={at[0]}
              cy={at[1]}
              r={4}
              fill="none"
              stroke="var(--chakra-colors-amber)"
              strokeWidth={1.8}
            />
          )
        );
      })}
    </g>
  );
}
