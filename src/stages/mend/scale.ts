import type { Corners } from '@/core/picture/corners';
import type { Scale } from '@/core/mending/outline/spec';
import { withPoint } from '@/core/units';

/** A card as everybody carries one, mm; and how thick it is. */
export const CARD = { width: '85.6', height: '54' } as const;
const CARD_THICK_MM = 0.8;

/** How a photograph gets its scale, as it is typed and marked. */
export interface ScaleState {
  /** Whether the sheet of marks lies there; else a thing of known size does. */
  bySheet: boolean;
  bar: string;
  corners: Corners;
  width: string;
  height: string;
}

const figure = (typed: string): number => Number(withPoint(typed).trim() || NaN);

/** The scale as the core takes it, or what is wrong with what was typed. */
export function scaleOf({ bySheet, bar, corners, width, height }: ScaleState): Scale | string {
  if (bySheet) {
    const barMm = figure(bar);
    return barMm >= 80 && barMm <= 120
      ? { barMm }
      : 'Type what the bar at the foot of the printed sheet measures, in mm: 100, or a little off.';
  }
  const [widthMm, heightMm] = [figure(width), figure(height)];
  return widthMm >= 5 && widthMm <= 2000 && heightMm >= 5 && heightMm <= 2000
    ? { plane: { corners, widthMm, heightMm, aboveGroundMm: width === CARD.width ? CARD_THICK_MM : 0 } }
    : 'Type how wide and high the thing of known size is, in mm from 5 to 2000. A bank card is 85.6 × 54.';
}

/** How high something lies, as it is typed: nothing is on the ground. */
export function overOf(typed: string): number | string {
  if (typed.trim() === '') return 0;
  const over = figure(typed);
  return over >= 0 && over <= 80 ? over : 'Type how high it lies over the ground, in mm from 0 to 80.';
}
