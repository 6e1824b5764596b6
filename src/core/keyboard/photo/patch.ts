import { median } from '../../numbers';
import type { Field } from './field';

/** A stretch of a map: numbers row by row. */
export interface Patch {
  columns: number;
  rows: number;
  values: Float32Array;
}

/** A box on the field, mm. */
export interface BoxMm {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** The stretch of a map over a box on the field; beyond the field its rim goes on. */
export function patchOf(map: Float32Array, { columns, rows, pxPerMm }: Field, { x, y, w, h }: BoxMm): Patch {
  const [left, top] = [Math.round(x * pxPerMm), Math.round(y * pxPerMm)];
  const [across, down] = [Math.max(3, Math.round(w * pxPerMm)), Math.max(3, Math.round(h * pxPerMm))];
  const values = new Float32Array(across * down);
  for (let r = 0; r < down; r++)
    for (let c = 0; c < across; c++) {
      const [column, row] = [Math.min(columns - 1, Math.max(0, left + c)), Math.min(rows - 1, Math.max(0, top + r))];
      values[r * across + c] = map[row * columns + column]!;
    }
  return { columns: across, rows: down, values };
}

/** What patches of about one size have in common, cell by cell. */
export function medianPatch(patches: readonly Patch[]): Patch {
  const [first] = patches as [Patch];
  const { columns, rows } = first;
  const values = new Float32Array(columns * rows);
  const cell = (of: Patch, row: number, column: number) =>
    of.values[Math.min(of.rows - 1, row) * of.columns + Math.min(of.columns - 1, column)]!;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      values[row * columns + column] = median(patches.map((one) => cell(one, row, column)))!;
  return { columns, rows, values };
}

export const turnedRound = ({ columns, rows, values }: Patch): Patch => ({
  ...{ columns, rows },
  values: values.slice().reverse(),
});

/** Standard deviation of a patch. */
export function spreadOf({ values }: Patch): number {
  let [sum, squares] = [0, 0];
  for (const value of values) {
    sum += value;
    squares += value * value;
  }
  return Math.sqrt(Math.max(0, squares / values.length - (sum / values.length) ** 2));
}

/** Shifts that are tried, cells: so far to each side of a middle. */
export interface Reach {
  dx: number;
  dy: number;
  across: number;
  down: number;
}

/** How alike two patches are where one is laid on the other, at best over shifts: a correlation, −1 to 1, and the shift. */
export function likenessOf(a: Patch, b: Patch, reach: Reach): { likeness: number; dx: number; dy: number } {
  let best = { likeness: -1, dx: reach.dx, dy: reach.dy };
  for (let dy = reach.dy - reach.down; dy <= reach.dy + reach.down; dy++)
    for (let dx = reach.dx - reach.across; dx <= reach.dx + reach.across; dx++) {
      const [x0, x1] = [Math.max(0, -dx), Math.min(a.columns, b.columns - dx)];
      const [y0, y1] = [Math.max(0, -dy), Math.min(a.rows, b.rows - dy)];
      let [n, sa, sb, aa, bb, ab] = [0, 0, 0, 0, 0, 0];
      for (let y = y0; y < y1; y++)
        for (let x = x0; x < x1; x++) {
          const [p, q] = [a.values[y * a.columns + x]!, b.values[(y + dy) * b.columns + x + dx]!];
          n++;
          sa += p;
          sb += q;
          aa += p * p;
          bb += q * q;
          ab += p * q;
        }
      // A sliver that is left of them says nothing.
      if (n < 0.4 * a.values.length) continue;
      const [va, vb] = [aa - (sa * sa) / n, bb - (sb * sb) / n];
      if (va < 1e-6 || vb < 1e-6) continue;
      const likeness = (ab - (sa * sb) / n) / Math.sqrt(va * vb);
      if (likeness > best.likeness) best = { likeness, dx, dy };
    }
  return best;
}
