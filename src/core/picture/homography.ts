import { Matrix, solve } from 'ml-matrix';
import type { Point } from './picture';

/** A plane-to-plane projection, nine numbers row by row. */
export type Homography = readonly number[];

/** Corners of the unit square, clockwise on a picture from its upper left: a face's own plane from 0 to 1. */
export const UNIT_SQUARE: readonly Point[] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

/** The projection that takes four points to four others (direct linear transform). */
export function homographyThrough(from: readonly Point[], to: readonly Point[]): Homography {
  const rows: number[][] = [];
  const values: number[] = [];
  for (let i = 0; i < 4; i++) {
    const [x, y] = from[i]!;
    const [u, v] = to[i]!;
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    values.push(u, v);
  }
  return [...solve(new Matrix(rows), Matrix.columnVector(values)).to1DArray(), 1];
}

/** Takes one point through a projection. */
export function project(h: Homography, [x, y]: Point): Point {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
}
