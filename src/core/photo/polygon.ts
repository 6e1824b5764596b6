import type { Point, Rect } from './picture';

/** Rows of a polygon as runs of pixels: `[y, from, to)` triples, row by row. */
export interface Runs {
  triples: Int32Array;
  pixelCount: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/**
 * The pixels whose centre lies inside a polygon (even-odd rule), cut to the picture.
 *
 * @param polygon at least three corners, pixels
 */
export function polygonRuns(polygon: readonly Point[], width: number, height: number): Runs {
  const ys = polygon.map((p) => p[1]);
  const top = Math.max(0, Math.floor(Math.min(...ys)));
  const bottom = Math.min(height, Math.ceil(Math.max(...ys)));
  const triples: number[] = [];
  let pixelCount = 0;
  let left = width;
  let right = 0;
  for (let y = top; y < bottom; y++) {
    const crossings = rowCrossings(polygon, y + 0.5);
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const from = Math.max(0, Math.ceil(crossings[i]! - 0.5));
      const to = Math.min(width, Math.ceil(crossings[i + 1]! - 0.5));
      if (to <= from) continue;
      triples.push(y, from, to);
      pixelCount += to - from;
      left = Math.min(left, from);
      right = Math.max(right, to);
    }
  }
  return { triples: Int32Array.from(triples), pixelCount, left: Math.min(left, right), top, right, bottom };
}

function rowCrossings(polygon: readonly Point[], y: number): number[] {
  const xs: number[] = [];
  for (let i = 0; i < polygon.length; i++) {
    const [x0, y0] = polygon[i]!;
    const [x1, y1] = polygon[(i + 1) % polygon.length]!;
    if (y0 <= y !== y1 <= y) xs.push(x0 + ((y - y0) / (y1 - y0)) * (x1 - x0));
  }
  return xs.sort((a, b) => a - b);
}

/** A rectangle as a polygon. */
export function rectPolygon([x, y, w, h]: Rect): Point[] {
  return [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ];
}

/** Whether a point lies inside a polygon (even-odd rule). */
export function contains(polygon: readonly Point[], [x, y]: Point): boolean {
  return rowCrossings(polygon, y).filter((crossing) => crossing > x).length % 2 === 1;
}

/** Share of a rectangle that a polygon covers, sampled on a 24 × 24 grid. */
export function overlapShare(polygon: readonly Point[], [x, y, w, h]: Rect): number {
  const n = 24;
  let inside = 0;
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) if (contains(polygon, [x + ((i + 0.5) * w) / n, y + ((j + 0.5) * h) / n])) inside++;
  return inside / (n * n);
}
