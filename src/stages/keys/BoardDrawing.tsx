'use client';

import { Box } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { CONNECTOR, type Line } from '@/core/keyboard/board';
import { STEM_AT, type StemPlace } from '@/core/keyboard/caps';
import { metAt, type Board, type BoardKey } from '@/core/keyboard/layout';
import { useDragOnBoard } from '@/ui/picture/useDragOnBoard';

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
  /** Wide keys with where their stem stands; `null` where it is still to be looked for before they are pulled. */
  stems?: Readonly<Record<string, StemPlace | null>>;
  onTap?: (key: string) => void;
  /** A key that can be dragged, and where it was let go, mm. */
  movable?: { key: string; onMove: (x: number, y: number) => void };
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

/** A finger that trembles less than this only taps. */
const LEAST_DRAG_MM = 1;

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
export function BoardDrawing(props: Props) {
  const { board, label, marks = {}, lines = [], tips = null, stems = {}, onTap, movable } = props;
  const { widthMm, heightMm, keys } = board;
  const [last, setLast] = useState<string>();
  // A key that was taken away since leaves its place in the order to the first.
  const at = keys.some(({ id }) => id === last) ? last : keys[0]?.id;
  const place = useRef<SVGSVGElement>(null);
  const narrowest = Math.min(...keys.map(({ w, h }) => Math.min(w, h)));
  const go = (key: BoardKey, arrow: string) => {
    const next = nextKey(keys, key, arrow);
    if (!next) return;
    setLast(next.id);
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
        {keys.map((key) => (
          <KeyShape
            key={key.id}
            of={key}
            mark={marks[key.id]}
            inOrder={at === key.id}
            field={board}
            {...(onTap && { onTap: () => onTap(key.id) })}
            {...(movable?.key === key.id && { onMove: movable.onMove })}
            onFocus={() => setLast(key.id)}
            onArrow={(arrow) => go(key, arrow)}
          />
        ))}
        {keys.map((key) => {
          const stem = stems[key.id];
          return stem === undefined ? null : <Stem key={`stem ${key.id}`} of={key} stem={stem} />;
        })}
        {lines.map(({ line, brokenAt }) => (
          <LineOnBoard key={`${line.kind} ${line.id}`} line={line} keys={keys} brokenAt={brokenAt} />
        ))}
        {tips && <Tips {...tips} keys={keys} />}
      </svg>
    </Box>
  );
}

interface KeyShapeProps {
  of: BoardKey;
  mark: Mark | undefined;
  /** Whether the Tab key comes to it. */
  inOrder: boolean;
  field: Pick<Board, 'widthMm' | 'heightMm'>;
  onTap?: () => void;
  onMove?: (x: number, y: number) => void;
  onFocus: () => void;
  onArrow: (arrow: string) => void;
}

/** One key: its cap by name and mark, tapped, and dragged where it can be moved. */
function KeyShape({ of: key, mark, inOrder, field, onTap, onMove, onFocus, onArrow }: KeyShapeProps) {
  const drag = useDragOnBoard();
  const [[dx, dy], setBy] = useState<readonly [number, number]>([0, 0]);
  const [dragged, setDragged] = useState(false);
  const { fill, ink } = mark ? TONES[mark.tone] : PLAIN;
  const size = Math.min(0.34 * key.h, (1.5 * key.w) / Math.max(2, key.id.length + (mark ? 2 : 0)));
  const letGo = ([x, y]: readonly [number, number]) => {
    setBy([0, 0]);
    if (Math.hypot(x, y) < LEAST_DRAG_MM) return;
    setDragged(true);
    const within = (at: number, long: number, most: number) =>
      Math.round(10 * Math.min(Math.max(0, at), most - long)) / 10;
    onMove?.(within(key.x + x, key.w, field.widthMm), within(key.y + y, key.h, field.heightMm));
  };
  return (
    <g
      data-key={key.id}
      role={onTap ? 'button' : 'img'}
      aria-label={mark ? `${key.id}, ${mark.words}` : key.id}
      {...(onTap && {
        tabIndex: inOrder ? 0 : -1,
        style: { cursor: onMove ? 'move' : 'pointer', ...(onMove && { touchAction: 'none' }) },
        onFocus,
        onClick: () => {
          // A tap that ends a drag chooses nothing.
          if (dragged) setDragged(false);
          else onTap();
        },
        ...(onMove && {
          transform: `translate(${dx} ${dy})`,
          ...drag((_, whole) => setBy(whole), letGo),
        }),
        onKeyDown: (event: React.KeyboardEvent) => {
          if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            onTap();
          } else if (event.key.startsWith('Arrow')) {
            event.preventDefault();
            onArrow(event.key);
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
}

/** Where a wide key is pulled: above its stem where that is known, and a band to look along where it is not. */
function Stem({ of: { x, y, w, h }, stem }: { of: BoardKey; stem: StemPlace | null }) {
  return (
    <g
      pointerEvents="none"
      aria-hidden
      fill="none"
      stroke="var(--chakra-colors-ink)"
      strokeWidth={stem === null ? 0.5 : 0.9}
    >
      {stem === null ? (
        <rect
          x={x + 0.2 * w}
          y={y + 0.16 * h}
          width={0.6 * w}
          height={0.16 * h}
          rx={0.08 * h}
          strokeDasharray="1.4 1.2"
        />
      ) : (
        <circle cx={x + STEM_AT[stem] * w} cy={y + 0.22 * h} r={0.1 * h} />
      )}
    </g>
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
