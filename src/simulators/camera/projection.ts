import { Matrix, solve } from 'ml-matrix';
import type { Point, Rect } from '@/core/photo/picture';

/** A plane-to-plane projection, nine numbers row by row. */
export type Homography = readonly number[];

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

/** A box in the scene as four corners in the picture. */
export function projectBox(h: Homography, [x, y, w, hgt]: Rect): Point[] {
  const corners: Point[] = [
    [x, y],
    [x + w, y],
    [x + w, y + hgt],
    [x, y + hgt],
  ];
  return corners.map((corner) => project(h, corner));
}

/** The largest upright rectangle that surely lies inside a projected box, with a margin of its size. */
export function innerRect(corners: readonly Point[], margin = 0.15): Rect {
  const [a, b, c, d] = corners as [Point, Point, Point, Point];
  const left = Math.max(a[0], d[0]);
  const right = Math.min(b[0], c[0]);
  const top = Math.max(a[1], b[1]);
  const bottom = Math.min(c[1], d[1]);
  const [w, h] = [right - left, bottom - top];
  return [left + margin * w, top + margin * h, w * (1 - 2 * margin), h * (1 - 2 * margin)].map(Math.round) as unknown as Rect;
}
