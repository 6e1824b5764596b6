import { project, type Homography } from '@/core/picture/homography';
import type { Point, Rect } from '@/core/picture/picture';

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
  return [left + margin * w, top + margin * h, w * (1 - 2 * margin), h * (1 - 2 * margin)].map(
    Math.round,
  ) as unknown as Rect;
}
