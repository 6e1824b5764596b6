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

/** Sums over all that lies above and to the left of a cell, of the values and of their squares, one column and row more. */
interface Sums {
  values: Float64Array;
  squares: Float64Array;
}

/** Each patch is laid on many others. */
const SUMS = new WeakMap<Patch, Sums>();

function sumsOf(patch: Patch): Sums {
  const known = SUMS.get(patch);
  if (known) return known;
  const { columns, rows, values } = patch;
  const width = columns + 1;
  const sums: Sums = { values: new Float64Array(width * (rows + 1)), squares: new Float64Array(width * (rows + 1)) };
  for (let y = 0; y < rows; y++) {
    let row = 0;
    let squares = 0;
    for (let x = 0; x < columns; x++) {
      const value = values[y * columns + x]!;
      row += value;
      squares += value * value;
      const at = (y + 1) * width + x + 1;
      sums.values[at] = sums.values[at - width]! + row;
      sums.squares[at] = sums.squares[at - width]! + squares;
    }
  }
  SUMS.set(patch, sums);
  return sums;
}

/** What lies in a window of a map of such sums. */
const within = (sums: Float64Array, width: number, x0: number, y0: number, x1: number, y1: number): number =>
  sums[y1 * width + x1]! - sums[y0 * width + x1]! - sums[y1 * width + x0]! + sums[y0 * width + x0]!;

/** How alike two patches are where one is laid on the other, at best over shifts: a correlation, −1 to 1, and the shift. */
export function likenessOf(a: Patch, b: Patch, reach: Reach): { likeness: number; dx: number; dy: number } {
  let best = { likeness: -1, dx: reach.dx, dy: reach.dy };
  const [ofA, ofB] = [sumsOf(a), sumsOf(b)];
  const [wideA, wideB] = [a.columns + 1, b.columns + 1];
  const [valuesA, valuesB] = [a.values, b.values];
  for (let dy = reach.dy - reach.down; dy <= reach.dy + reach.down; dy++)
    for (let dx = reach.dx - reach.across; dx <= reach.dx + reach.across; dx++) {
      const x0 = Math.max(0, -dx);
      const x1 = Math.min(a.columns, b.columns - dx);
      const y0 = Math.max(0, -dy);
      const y1 = Math.min(a.rows, b.rows - dy);
      const n = Math.max(0, x1 - x0) * Math.max(0, y1 - y0);
      // A sliver that is left of them says nothing.
      if (n < 0.4 * valuesA.length) continue;
      const sa = within(ofA.values, wideA, x0, y0, x1, y1);
      const sb = within(ofB.values, wideB, x0 + dx, y0 + dy, x1 + dx, y1 + dy);
      const va = within(ofA.squares, wideA, x0, y0, x1, y1) - (sa * sa) / n;
      const vb = within(ofB.squares, wideB, x0 + dx, y0 + dy, x1 + dx, y1 + dy) - (sb * sb) / n;
      if (va < 1e-6 || vb < 1e-6) continue;
      // The hot loop: what hangs on the shift alone.
      let ab = 0;
      for (let y = y0; y < y1; y++) {
        let at = (y + dy) * b.columns + x0 + dx;
        const end = y * a.columns + x1;
        for (let from = y * a.columns + x0; from < end; from++, at++) ab += valuesA[from]! * valuesB[at]!;
      }
      const likeness = (ab - (sa * sb) / n) / Math.sqrt(va * vb);
      if (likeness > best.likeness) best = { likeness, dx, dy };
    }
  return best;
}
