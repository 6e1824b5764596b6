import type { Field } from './field';

/** A map less its mean over a square around each cell: a lamp’s slope, glare and the edge of a shadow go. */
export function evened(
  map: Float32Array,
  { columns, rows, pxPerMm }: Pick<Field, 'columns' | 'rows' | 'pxPerMm'>,
  reachMm: number,
): Float32Array {
  const reach = Math.round(reachMm * pxPerMm);
  const sums = new Float64Array((columns + 1) * (rows + 1));
  for (let r = 0; r < rows; r++)
    for (let c = 0, line = 0; c < columns; c++) {
      line += map[r * columns + c]!;
      sums[(r + 1) * (columns + 1) + c + 1] = sums[r * (columns + 1) + c + 1]! + line;
    }
  const out = new Float32Array(map.length);
  for (let r = 0; r < rows; r++) {
    const [t, b] = [Math.max(0, r - reach), Math.min(rows, r + reach + 1)];
    for (let c = 0; c < columns; c++) {
      const [l, e] = [Math.max(0, c - reach), Math.min(columns, c + reach + 1)];
      const at = (row: number, column: number) => sums[row * (columns + 1) + column]!;
      out[r * columns + c] = map[r * columns + c]! - (at(b, e) - at(t, e) - at(b, l) + at(t, l)) / ((b - t) * (e - l));
    }
  }
  return out;
}
