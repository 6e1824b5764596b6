'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useGesture } from '@use-gesture/react';
import { useEffect, useRef, useState } from 'react';
import type { Point } from '@/core/picture/picture';
import { useDragOnBoard } from './useDragOnBoard';
import { moveCorner, moveShape, SHAPE_WORDS, type Shape, type ShapeKind } from './shapes';

export interface View {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface HeatImage {
  id: string;
  url: string;
  x: number;
  y: number;
  width: number;
  height: number;
}

interface Props {
  width: number;
  height: number;
  small: string;
  original: string;
  alt: string;
  shapes: readonly Shape[];
  /** What inside the piece is left out, as outlines. */
  holes: readonly (readonly Point[])[];
  onChange: (shapes: Shape[]) => void;
  heats: readonly HeatImage[];
  onView: (view: View) => void;
}

const COLOURS = {
  card: '#f0b13c',
  piece: '#0b5c61',
  hidden: '#ffffff',
  field: '#f0b13c',
  known: '#f0b13c',
  mark: '#ffffff',
} as const;
const DASHES = {
  card: '14 8',
  piece: undefined,
  hidden: '4 6',
  field: undefined,
  known: undefined,
  mark: undefined,
} as const;
/** A patch and a field have four corners, no more and no fewer. */
const isFour = (kind: ShapeKind) => kind === 'card' || kind === 'field' || kind === 'known';
const STEP: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
const CLOSEST = 12;

/**
 * The photograph to draw on: drag the background to pan, wheel or two fingers to zoom, drag a shape or its
 * corners; with the keyboard, tab to a shape or corner and use the arrow keys (shift for larger steps).
 */
export function PictureBoard({ width, height, small, original, alt, shapes, holes, onChange, heats, onView }: Props) {
  const whole: View = { x: 0, y: 0, width, height };
  const [view, setView] = useState<View>(whole);
  const svgRef = useRef<SVGSVGElement>(null);
  const zoom = width / view.width;

  const show = (next: View) => {
    setView(next);
    onView(next);
  };
  const perPixel = () => view.width / (svgRef.current?.getBoundingClientRect().width || 1);
  const zoomTo = (factor: number, clientX?: number, clientY?: number) => {
    const box = svgRef.current?.getBoundingClientRect();
    const w = Math.min(width, Math.max(width / CLOSEST, width / factor));
    const h = (w * height) / width;
    const fx = box && clientX !== undefined ? (clientX - box.left) / box.width : 0.5;
    const fy = box && clientY !== undefined ? (clientY - box.top) / box.height : 0.5;
    const x = Math.max(0, Math.min(width - w, view.x + fx * (view.width - w)));
    const y = Math.max(0, Math.min(height - h, view.y + fy * (view.height - h)));
    show({ x, y, width: w, height: h });
  };
  useGesture(
    {
      onDrag: ({ delta: [dx, dy], event, pinching }) => {
        if (pinching || (event.target as Element).closest('[data-shape]')) return;
        const unit = perPixel();
        show({
          ...view,
          x: Math.max(0, Math.min(width - view.width, view.x - dx * unit)),
          y: Math.max(0, Math.min(height - view.height, view.y - dy * unit)),
        });
      },
      onPinch: ({ offset: [scale], origin: [ox, oy] }) => zoomTo(scale, ox, oy),
      onWheel: ({ delta: [, dy], event }) => {
        event.preventDefault();
        zoomTo(zoom * Math.exp(-dy / 400), event.clientX, event.clientY);
      },
    },
    {
      target: svgRef,
      pinch: { scaleBounds: { min: 1, max: CLOSEST }, from: () => [zoom, 0] },
      wheel: { eventOptions: { passive: false } },
      drag: { filterTaps: true },
    },
  );
  // The board fills its width; its size in picture pixels follows the screen.
  const [unit, setUnit] = useState(width / 800);
  useEffect(() => {
    const place = svgRef.current;
    if (!place) return;
    const watch = new ResizeObserver(([entry]) => entry && setUnit(view.width / Math.max(1, entry.contentRect.width)));
    watch.observe(place);
    return () => watch.disconnect();
  }, [view.width]);

  /** The corner in hand: a finger covers what it points at. */
  const [held, setHeld] = useState<Point | null>(null);
  const change = (next: Shape) => onChange(shapes.map((shape) => (shape.id === next.id ? next : shape)));
  return (
    <Box>
      <Box position="relative" borderWidth="1px" borderColor="lineStrong" bg="ink">
        <svg
          ref={svgRef}
          viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
          style={{
            display: 'block',
            width: '100%',
            aspectRatio: `${width} / ${height}`,
            touchAction: 'none',
            cursor: 'grab',
          }}
          aria-label={alt}
        >
          <image
            href={zoom > 1.6 ? original : small}
            x={0}
            y={0}
            width={width}
            height={height}
            preserveAspectRatio="none"
          />
          {heats.map((heat) => (
            <image
              key={heat.id}
              href={heat.url}
              x={heat.x}
              y={heat.y}
              width={heat.width}
              height={heat.height}
              preserveAspectRatio="none"
              opacity={0.82}
            />
          ))}
          {holes.map((hole) => (
            <polygon
              key={hole.map((p) => p.join()).join(' ')}
              points={hole.map((p) => p.join(',')).join(' ')}
              fill="#22282b"
              fillOpacity={0.55}
              stroke="#ffffff"
              strokeWidth={1.5 * unit}
              strokeDasharray={`${3 * unit} ${4 * unit}`}
              pointerEvents="none"
            />
          ))}
          {shapes.map((shape) => (
            <ShapeOnBoard
              key={shape.id}
              shape={shape}
              unit={unit}
              width={width}
              height={height}
              onChange={change}
              onHold={setHeld}
            />
          ))}
        </svg>
        {held && (
          <Loupe at={held} unit={unit} picture={{ href: original, width, height }} shapes={shapes} view={view} />
        )}
      </Box>
      <Flex gap="2" mt="2" wrap="wrap">
        <Button onClick={() => zoomTo(zoom * 1.5)} aria-label="Zoom in">
          +
        </Button>
        <Button onClick={() => zoomTo(zoom / 1.5)} aria-label="Zoom out">
          −
        </Button>
        <Button onClick={() => show(whole)}>Whole picture</Button>
      </Flex>
    </Box>
  );
}

interface ShapeProps {
  shape: Shape;
  /** Picture pixels in one pixel of the screen. */
  unit: number;
  width: number;
  height: number;
  onChange: (shape: Shape) => void;
  /** The corner that is dragged, and `null` when it is let go. */
  onHold: (corner: Point | null) => void;
}

const LOUPE_PX = 132;
/** So many times larger than on the board. */
const LOUPE_TIMES = 4;

interface LoupeProps {
  at: Point;
  unit: number;
  picture: { href: string; width: number; height: number };
  shapes: readonly Shape[];
  view: View;
}

/** What lies under the finger, larger, in the upper corner that the finger is not at. */
function Loupe({ at: [x, y], unit, picture: { href, width, height }, shapes, view }: LoupeProps) {
  const wide = (LOUPE_PX / LOUPE_TIMES) * unit;
  const onLeft = x < view.x + view.width / 2;
  return (
    <Box
      position="absolute"
      top="2"
      {...(onLeft ? { right: '2' } : { left: '2' })}
      width={`${LOUPE_PX}px`}
      height={`${LOUPE_PX}px`}
      borderRadius="50%"
      overflow="hidden"
      borderWidth="3px"
      borderColor="amber"
      bg="ink"
      pointerEvents="none"
      aria-hidden
    >
      <svg
        viewBox={`${x - wide / 2} ${y - wide / 2} ${wide} ${wide}`}
        style={{ width: '100%', height: '100%', display: 'block' }}
      >
        <image href={href} x={0} y={0} width={width} height={height} preserveAspectRatio="none" />
        {shapes.map((shape) => (
          <polygon
            key={shape.id}
            points={shape.points.map((p) => p.join(',')).join(' ')}
            fill="none"
            stroke={COLOURS[shape.kind]}
            strokeWidth={(2 * unit) / LOUPE_TIMES}
          />
        ))}
        <path
          d={`M${x - wide / 2} ${y} H${x + wide / 2} M${x} ${y - wide / 2} V${y + wide / 2}`}
          stroke="#ffffff"
          strokeWidth={unit / LOUPE_TIMES}
        />
      </svg>
    </Box>
  );
}

function ShapeOnBoard({ shape, unit, width, height, onChange, onHold }: ShapeProps) {
  const inside = ([x, y]: Point): Point => [Math.max(0, Math.min(width, x)), Math.max(0, Math.min(height, y))];
  const drag = useDragOnBoard();
  const title =
    shape.title ?? (shape.kind === 'card' ? `Card patch ${shape.id.split('-')[1]}` : SHAPE_WORDS[shape.kind].title);
  const single = shape.points.length === 1;
  const colour = COLOURS[shape.kind];
  // A name that would run out of the picture on the right ends at its edge.
  const cut = shape.points[0]![0] + title.length * 10 * unit > width;
  const keyed = (event: React.KeyboardEvent, move: (by: Point) => void) => {
    const step = STEP[event.key];
    if (!step) return;
    event.preventDefault();
    const by = (event.shiftKey ? 20 : 4) * unit;
    move([step[0] * by, step[1] * by]);
  };
  return (
    <g data-shape={shape.id}>
      {!single && (
        <polygon
          points={shape.points.map((p) => p.join(',')).join(' ')}
          fill={colour}
          fillOpacity={0.12}
          stroke="#22282b"
          strokeWidth={6 * unit}
          tabIndex={0}
          role="button"
          aria-label={`${title}: move it with the arrow keys`}
          style={{ cursor: 'move' }}
          {...drag((by) => onChange(moveShape(shape, by, width, height)))}
          onKeyDown={(event) => keyed(event, (by) => onChange(moveShape(shape, by, width, height)))}
        />
      )}
      <polygon
        points={shape.points.map((p) => p.join(',')).join(' ')}
        fill="none"
        stroke={colour}
        strokeWidth={3 * unit}
        strokeDasharray={DASHES[shape.kind]
          ?.split(' ')
          .map((n) => Number(n) * unit)
          .join(' ')}
        pointerEvents="none"
      />
      <text
        x={cut ? width - 6 * unit : shape.points[0]![0]}
        y={shape.points[0]![1] - (single ? 20 : 12) * unit}
        textAnchor={cut ? 'end' : 'start'}
        style={{ fontSize: `${17 * unit}px`, fontWeight: 650 }}
        fill="#ffffff"
        stroke="#22282b"
        strokeWidth={4 * unit}
        paintOrder="stroke"
        pointerEvents="none"
      >
        {title}
      </text>
      {!isFour(shape.kind) &&
        shape.points.map(([x, y], i) => {
          const [nx, ny] = shape.points[(i + 1) % shape.points.length]!;
          const middle: Point = [(x + nx) / 2, (y + ny) / 2];
          if (Math.hypot(nx - x, ny - y) < 120 * unit || shape.points.length > 24) return null;
          return (
            <circle
              key={`between-${i}`}
              cx={middle[0]}
              cy={middle[1]}
              r={7 * unit}
              fill="#ffffff"
              fillOpacity={0.75}
              stroke="#22282b"
              strokeWidth={1.5 * unit}
              style={{ cursor: 'copy' }}
              onPointerDown={(event) => {
                event.stopPropagation();
                onChange({ ...shape, points: [...shape.points.slice(0, i + 1), middle, ...shape.points.slice(i + 1)] });
              }}
            />
          );
        })}
      {shape.points.map(([x, y], i) => (
        <g
          key={i}
          tabIndex={0}
          role="button"
          aria-label={single ? `${title}: move it with the arrow keys` : `${title}, corner ${i + 1}`}
          style={{ cursor: 'grab' }}
          {...drag(
            (by) => {
              const to = inside([x + by[0], y + by[1]]);
              onHold(to);
              onChange(moveCorner(shape, i, to));
            },
            () => onHold(null),
          )}
          onKeyDown={(event) => {
            if ((event.key === 'Delete' || event.key === 'Backspace') && !isFour(shape.kind) && shape.points.length > 3)
              onChange({ ...shape, points: shape.points.filter((_, k) => k !== i) });
            else keyed(event, (by) => onChange(moveCorner(shape, i, inside([x + by[0], y + by[1]]))));
          }}
        >
          <circle cx={x} cy={y} r={22 * unit} fill="transparent" />
          {single ? (
            <>
              {/* Its middle stays open: there the edge is seen that it is set on. */}
              <circle cx={x} cy={y} r={13 * unit} fill="none" stroke="#22282b" strokeWidth={6 * unit} />
              <circle cx={x} cy={y} r={13 * unit} fill="none" stroke={colour} strokeWidth={3 * unit} />
              <circle cx={x} cy={y} r={1.6 * unit} fill={colour} stroke="#22282b" strokeWidth={0.8 * unit} />
            </>
          ) : (
            <circle cx={x} cy={y} r={9 * unit} fill={colour} stroke="#22282b" strokeWidth={2.5 * unit} />
          )}
        </g>
      ))}
    </g>
  );
}
