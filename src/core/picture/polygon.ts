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
 * The pixels whose centre lies inside a polygon and in none of its holes, cut to the picture. A polygon that crosses
 * itself is filled by the even-odd rule; holes may lie over each other.
 *
 * @param polygon at least three corners, pixels
 */
export function polygonRuns(
  polygon: readonly Point[],
  width: number,
  height: number,
  holes: readonly (readonly Point[])[] = [],
): Runs {
  const ys = polygon.map((p) => p[1]);
  const top = Math.max(0, Math.floor(Math.min(...ys)));
  const bottom = Math.min(height, Math.ceil(Math.max(...ys)));
  const triples: number[] = [];
  let pixelCount = 0;
  let left = width;
  let right = 0;
  for (let y = top; y < bottom; y++) {
    const out = holes.flatMap((hole) => spans(rowCrossings(hole, y + 0.5))).sort((a, b) => a[0] - b[0]);
    for (const whole of spans(rowCrossings(polygon, y + 0.5)))
      for (const [start, end] of without(whole, out)) {
        const from = Math.max(0, Math.ceil(start - 0.5));
        const to = Math.min(width, Math.ceil(end - 0.5));
        if (to <= from) continue;
        triples.push(y, from, to);
        pixelCount += to - from;
        left = Math.min(left, from);
        right = Math.max(right, to);
      }
  }
  return { triples: Int32Array.from(triples), pixelCount, left: Math.min(left, right), top, right, bottom };
}

type Span = [from: number, to: number];

const spans = (crossings: readonly number[]): Span[] =>
  Array.from({ length: crossings.length >> 1 }, (_, i): Span => [crossings[2 * i]!, crossings[2 * i + 1]!]);

/** A span without others, which are sorted by where they begin. */
function without([from, to]: Span, others: readonly Span[]): Span[] {
  const left: Span[] = [];
  let at = from;
  for (const [start, end] of others) {
    if (end <= at || start >= to) continue;
    if (start > at) left.push([at, start]);
    at = Math.max(at, end);
  }
  return at < to ? [...left, [at, to]] : left;
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
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) if (contains(polygon, [x + ((i + 0.5) * w) / n, y + ((j + 0.5) * h) / n])) inside++;
  return inside / (n * n);
}
