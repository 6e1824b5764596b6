'use client';

import { useRef } from 'react';
import type { Point } from '@/core/picture/picture';

interface Props {
  label: string;
  box: readonly [number, number, number, number];
  path: string;
}

/** Corners that can be dragged, or moved by the arrow keys. */
interface Corners {
  corners: readonly Point[];
  chosen: number | null;
  /** What their places are told from. */
  from: Point;
  onChoose: (corner: number) => void;
  onMove: (corner: number, at: Point) => void;
}

/** An arrow key moves a corner by so much, with shift by ten times as much, mm. */
const NUDGE_MM = 0.1;
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-NUDGE_MM, 0],
  ArrowRight: [NUDGE_MM, 0],
  ArrowUp: [0, -NUDGE_MM],
  ArrowDown: [0, NUDGE_MM],
};

/** A part from above, to scale; its corners can be moved where they are given. */
export function PartDrawing({ label, box, path, ...more }: Props | (Props & Corners)) {
  const line = Math.max(box[2], box[3]) / 160;
  const drawing = useRef<SVGSVGElement>(null);
  const moved = 'corners' in more ? more : null;
  return (
    <svg
      ref={drawing}
      viewBox={box.join(' ')}
      role={moved ? 'group' : 'img'}
      aria-label={label}
      style={{ display: 'block', width: '100%', maxHeight: '46vh', background: 'var(--chakra-colors-sheet)' }}
    >
      <path
        d={path}
        fill="var(--chakra-colors-paper)"
        fillRule="evenodd"
        stroke="var(--chakra-colors-ink)"
        strokeWidth={line}
      />
      {moved?.corners.map((at, i) => (
        <Handle key={i} {...{ i, at, line, drawing }} of={moved} />
      ))}
    </svg>
  );
}

function Handle({
  i,
  at: [x, y],
  line,
  drawing,
  of: { chosen, from, onChoose, onMove },
}: {
  i: number;
  at: Point;
  line: number;
  drawing: React.RefObject<SVGSVGElement | null>;
  of: Corners;
}) {
  const mmOf = (event: React.PointerEvent): Point | null => {
    const shown = drawing.current?.getScreenCTM();
    if (!shown) return null;
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(shown.inverse());
    return [point.x, point.y];
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={chosen === i}
      aria-label={`Corner ${i + 1}, ${(x - from[0]).toFixed(1)} mm from the left, ${(y - from[1]).toFixed(1)} mm from the top`}
      style={{ cursor: 'move', touchAction: 'none' }}
      onFocus={() => onChoose(i)}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        onChoose(i);
      }}
      onPointerMove={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
        const at = mmOf(event);
        if (at) onMove(i, at);
      }}
      onKeyDown={(event) => {
        const by = ARROWS[event.key];
        if (!by) return;
        event.preventDefault();
        const times = event.shiftKey ? 10 : 1;
        onMove(i, [x + times * by[0], y + times * by[1]]);
      }}
    >
      <circle cx={x} cy={y} r={7 * line} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={(chosen === i ? 3.4 : 2.2) * line}
        fill={chosen === i ? 'var(--chakra-colors-work)' : 'var(--chakra-colors-sheet)'}
        stroke="var(--chakra-colors-work)"
        strokeWidth={line}
      />
    </g>
  );
}
