import { heightOf, widthOf, type Box, type Candidate } from './boxes';
import type { Field } from './field';

/** An edge is looked for so far outside and inside of where it was found, mm. */
const OUTSIDE_MM = 1;
const INSIDE_MM = 1.8;
/** The farther from where it was found, the less an edge counts: half at so many mm. */
const HALF_AT_MM = 1.6;

/** Change of colour across each cell of a line over a box: along its upright side at a column, or its level side at a row. */
function changes(box: Box, at: number, upright: boolean, { columns, rows, lab }: Field): number[][] {
  const [from, to] = upright
    ? [box.top + 0.15 * heightOf(box), box.bottom - 0.15 * heightOf(box)]
    : [box.left + 0.15 * widthOf(box), box.right - 0.15 * widthOf(box)];
  if (at < 1 || at >= (upright ? columns : rows) - 1) return [];
  const found: number[][] = [];
  for (let i = Math.max(0, Math.round(from)); i < Math.min(upright ? rows : columns, to); i++) {
    const [a, b] = upright
      ? [3 * (i * columns + at - 1), 3 * (i * columns + at + 1)]
      : [3 * ((at - 1) * columns + i), 3 * ((at + 1) * columns + i)];
    found.push([lab[b]! - lab[a]!, lab[b + 1]! - lab[a + 1]!, lab[b + 2]! - lab[a + 2]!]);
  }
  return found;
}

const SIDES = ['left', 'right', 'top', 'bottom'] as const;
/** A cell of a side changes as the side does where it does so by this share of it. */
const AS_SIDE = 0.3;

/** A box whose sides are looked at. */
export interface Edged extends Candidate {
  /** Share of its weakest side along which the colour changes as it does over the whole side. */
  edged: number;
}

/**
 * A box with each side on the steepest change of colour near it: levels take in some of the shadow that a cap throws, which
 * has no such edge.
 */
export function sharpened(box: Candidate, field: Field): Edged {
  const out = { ...box, edged: 1 };
  const { pxPerMm } = field;
  for (const side of SIDES) {
    const outwards = side === 'left' || side === 'top' ? -1 : 1;
    const upright = side === 'left' || side === 'right';
    const size = upright ? widthOf(box) : heightOf(box);
    const inmost = Math.round(Math.min(INSIDE_MM * pxPerMm, 0.2 * size));
    let best = { at: box[side], weight: 0, edged: 0 };
    for (let step = -inmost; step <= OUTSIDE_MM * pxPerMm; step++) {
      const at = Math.round(box[side]) + outwards * step;
      const cells = changes(box, at, upright, field);
      if (cells.length === 0) continue;
      const mean = [0, 1, 2].map((k) => cells.reduce((sum, cell) => sum + cell[k]!, 0) / cells.length);
      const strength = Math.hypot(...mean);
      const weight = strength / (1 + (step / (HALF_AT_MM * pxPerMm)) ** 2);
      if (weight <= best.weight) continue;
      const along = (cell: number[]) => (cell[0]! * mean[0]! + cell[1]! * mean[1]! + cell[2]! * mean[2]!) / strength;
      const edged = cells.filter((cell) => along(cell) > AS_SIDE * strength).length / cells.length;
      best = { at: at + 0.5, weight, edged };
    }
    out[side] = best.at;
    out.edged = Math.min(out.edged, best.edged);
  }
  return out;
}

/** How much the colour of a box differs from what is around it, in L*, a*, b*. */
export function contrastOf(box: Box, { columns, rows, pxPerMm, lab }: Field): number {
  const rim = Math.max(1, Math.round(pxPerMm));
  const [inner, outer] = [
    [0, 0, 0, 0],
    [0, 0, 0, 0],
  ];
  for (let r = Math.max(0, Math.floor(box.top) - 2 * rim); r < Math.min(rows, box.bottom + 2 * rim); r++)
    for (let c = Math.max(0, Math.floor(box.left) - 2 * rim); c < Math.min(columns, box.right + 2 * rim); c++) {
      const inside = Math.min(c - box.left, box.right - c, r - box.top, box.bottom - r);
      const sums = inside > 0 ? inner : inside < -rim ? outer : null;
      if (!sums) continue;
      for (let k = 0; k < 3; k++) sums[k]! += lab[3 * (r * columns + c) + k]!;
      sums[3]!++;
    }
  return Math.hypot(...[0, 1, 2].map((k) => inner[k]! / inner[3]! - outer[k]! / outer[3]!));
}
