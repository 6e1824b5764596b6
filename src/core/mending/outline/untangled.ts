import type { Point } from '../../picture/picture';

/** A loop of more points than this is no flaw of reading. */
const LOOP_POINTS = 24;

/** Where two stretches cross, inside of both; `null` where they do not. */
function crossing(a: Point, b: Point, c: Point, d: Point): Point | null {
  const [rx, ry, sx, sy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  const turn = rx * sy - ry * sx;
  if (turn === 0) return null;
  const t = ((c[0] - a[0]) * sy - (c[1] - a[1]) * sx) / turn;
  const u = ((c[0] - a[0]) * ry - (c[1] - a[1]) * rx) / turn;
  return t > 0 && t < 1 && u > 0 && u < 1 ? [a[0] + t * rx, a[1] + t * ry] : null;
}

/**
 * A ring without the small loops that arise where its points were moved onto an edge at a tight bend: each is cut off where
 * the ring meets itself.
 *
 * @example
 * untangled([[0, 0], [4, 0], [4, 4], [2, 5], [2, 3], [0, 4]]).length; // 6
 */
export function untangled(ring: readonly Point[]): Point[] {
  // Begun halfway round as well, so that a loop across the first point is found.
  const half = Math.floor(ring.length / 2);
  const once = cut(ring);
  return cut([...once.slice(half), ...once.slice(0, half)]);
}

function cut(ring: readonly Point[]): Point[] {
  const kept: Point[] = [];
  let i = 0;
  while (i < ring.length) {
    kept.push(ring[i]!);
    let next = i + 1;
    for (let j = Math.min(ring.length - 2, i + LOOP_POINTS); j > i + 1; j--) {
      const at = crossing(ring[i]!, ring[i + 1]!, ring[j]!, ring[j + 1]!);
      if (!at) continue;
      kept.push(at);
      next = j + 1;
      break;
    }
    i = next;
  }
  return kept;
}
