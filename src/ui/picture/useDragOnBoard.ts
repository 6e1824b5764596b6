import { useRef } from 'react';
import type { Point } from '@/core/picture/picture';

/**
 * Pointer handlers for something in a drawing that is dragged; `move` is told the way in the drawing’s units since the last
 * call and since it began, `onEnd` the whole of it.
 */
export function useDragOnBoard() {
  const last = useRef<Point | null>(null);
  const way = useRef<Point>([0, 0]);
  return (move: (by: Point, whole: Point) => void, onEnd?: (whole: Point) => void) => ({
    onPointerDown: (event: React.PointerEvent<SVGElement>) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      last.current = [event.clientX, event.clientY];
      way.current = [0, 0];
    },
    onPointerMove: (event: React.PointerEvent<SVGElement>) => {
      if (!last.current) return;
      // A drawing may be fitted by its height: its scale is asked for, not taken from its width.
      const unit = 1 / (event.currentTarget.ownerSVGElement!.getScreenCTM()?.a ?? 1);
      const by: Point = [(event.clientX - last.current[0]) * unit, (event.clientY - last.current[1]) * unit];
      way.current = [way.current[0] + by[0], way.current[1] + by[1]];
      move(by, way.current);
      last.current = [event.clientX, event.clientY];
    },
    onPointerUp: () => {
      last.current = null;
      onEnd?.(way.current);
    },
    onPointerCancel: () => {
      last.current = null;
      onEnd?.(way.current);
    },
  });
}
