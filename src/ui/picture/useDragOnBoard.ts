import { useRef } from 'react';
import type { Point } from '@/core/picture/picture';

/** Pointer handlers for something in a drawing that is dragged; `move` is told the way in the drawing’s units since the last call. */
export function useDragOnBoard() {
  const last = useRef<Point | null>(null);
  return (move: (by: Point) => void, onEnd?: () => void) => ({
    onPointerDown: (event: React.PointerEvent<SVGElement>) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      last.current = [event.clientX, event.clientY];
    },
    onPointerMove: (event: React.PointerEvent<SVGElement>) => {
      if (!last.current) return;
      // A drawing may be fitted by its height: its scale is asked for, not taken from its width.
      const unit = 1 / (event.currentTarget.ownerSVGElement!.getScreenCTM()?.a ?? 1);
      move([(event.clientX - last.current[0]) * unit, (event.clientY - last.current[1]) * unit]);
      last.current = [event.clientX, event.clientY];
    },
    onPointerUp: () => {
      last.current = null;
      onEnd?.();
    },
    onPointerCancel: () => {
      last.current = null;
      onEnd?.();
    },
  });
}
