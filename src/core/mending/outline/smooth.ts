import type { Point } from '../../picture/picture';
import { twiceArea, type Ring } from '../part/rings';

/** A corner of an outline, and how far the side that follows bows out to its right, mm; 0 for a straight one. */
export interface Corner {
  at: Point;
  bowMm: number;
}

const away = ([ax, ay]: Point, [bx, by]: Point) => Math.hypot(bx - ax, by - ay);

/** How far a point lies to the right of a straight from one to another. */
function rightOf([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const long = Math.hypot(bx - ax, by - ay) || 1;
  return ((x - ax) * (by - ay) - (y - ay) * (bx - ax)) / long;
}

/** Circle through three points; `null` where they lie on a straight. */
function circleOf([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point): { middle: Point; radius: number } | null {
  const twice = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by));
  if (Math.abs(twice) < 1e-9) return null;
  const [a, b, c] = [ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy];
  const x = (a * (by - cy) + b * (cy - ay) + c * (ay - by)) / twice;
  const y = (a * (cx - bx) + b * (ax - cx) + c * (bx - ax)) / twice;
  return { middle: [x, y], radius: Math.hypot(ax - x, ay - y) };
}

/** Where the middle of a side lies that bows out. */
export function bowed(from: Point, to: Point, bowMm: number): Point {
  const long = away(from, to) || 1;
  return [
    (from[0] + to[0]) / 2 + (bowMm * (to[1] - from[1])) / long,
    (from[1] + to[1]) / 2 - (bowMm * (to[0] - from[0])) / long,
  ];
}

/** How far points lie off a side that bows so much, at most. */
function offSide(points: readonly Point[], from: Point, to: Point, bowMm: number): number {
  const round = Math.abs(bowMm) < FLAT_MM ? null : circleOf(from, bowed(from, to, bowMm), to);
  return points.reduce((most, point) => {
    const off = round ? away(point, round.middle) - round.radius : rightOf(point, from, to);
    return Math.max(most, Math.abs(off));
  }, 0);
}

/** A side that bows less is straight. */
const FLAT_MM = 0.03;
/** A side is an arc only where that is so much nearer than a straight. */
const ROUNDER = 0.6;

/** The bow that lies nearest to points between two ends: straight, or as their middle third says. */
function bowOf(points: readonly Point[], from: Point, to: Point): { bowMm: number; offMm: number } {
  const straight = { bowMm: 0, offMm: offSide(points, from, to, 0) };
  if (points.length < 3) return straight;
  const bows = points.slice(Math.floor(points.length / 3), Math.ceil((2 * points.length) / 3)).flatMap((point) => {
    const round = circleOf(from, point, to);
    if (!round) return [];
    const half = away(from, to) / 2;
    const side = rightOf(point, from, to);
    const deep = Math.sqrt(Math.max(0, round.radius ** 2 - half ** 2));
    // More than half a round where the middle lies beyond the chord on the side of the point.
    const beyond = rightOf(round.middle, from, to) * side > 0;
    return [Math.sign(side) * (beyond ? round.radius + deep : round.radius - deep)];
  });
  if (bows.length === 0) return straight;
  const bowMm = bows.sort((a, b) => a - b)[Math.floor(bows.length / 2)]!;
  // Of the two arcs of a circle the one that the points lie on: its crown is beside one of them.
  const crown = bowed(from, to, bowMm);
  const nearest = points.reduce((least, point) => Math.min(least, away(point, crown)), Infinity);
  const apartMm = points.slice(1).reduce((most, point, i) => Math.max(most, away(point, points[i]!)), 0);
  const offMm = Math.max(offSide(points, from, to, bowMm), nearest - apartMm);
  return offMm < ROUNDER * straight.offMm ? { bowMm, offMm } : straight;
}

/** The furthest place that a side may reach from one: doubled while it holds, then narrowed down. */
function furthest(from: number, most: number, holds: (end: number) => boolean): number {
  let [ok, fails] = [from + 1, most + 1];
  for (let end = from + 2; end <= most && fails > most; end = Math.min(from + 2 * (end - from), most)) {
    if (holds(end)) ok = end;
    else fails = end;
    if (end === most) break;
  }
  while (fails - ok > 1) {
    const end = (ok + fails) >> 1;
    if (holds(end)) ok = end;
    else fails = end;
  }
  return Math.min(ok, most);
}

/** A traced line is looked at in so many steps at most, and in none shorter than this, mm. */
const STEPS = 800;
const LEAST_STEP_MM = 0.2;

/** The same line with a point at every step: a long straight has places too that an arc must not leave. */
function evenly(ring: Ring): Ring {
  const next = (i: number) => ring[(i + 1) % ring.length]!;
  const round = ring.reduce((sum, point, i) => sum + away(point, next(i)), 0);
  const step = Math.max(LEAST_STEP_MM, round / STEPS);
  return ring.flatMap((point, i): Point[] => {
    const to = next(i);
    const parts = Math.max(1, Math.ceil(away(point, to) / step));
    return Array.from({ length: parts }, (_, k): Point => [
      point[0] + ((to[0] - point[0]) * k) / parts,
      point[1] + ((to[1] - point[1]) * k) / parts,
    ]);
  });
}

/** A corner is looked for so many traced points to both sides of where a side reached furthest. */
const AROUND = 12;
const PASSES = 3;

/**
 * An outline as it was traced, as few straight sides and arcs that lie within a tolerance of it.
 *
 * @param traced closed line, mm
 * @param toleranceMm how far a traced point may lie off its side
 */
export function smoothed(traced: Ring, toleranceMm: number): Corner[] {
  const ring = evenly(traced);
  const n = ring.length;
  const middle: Point = [0, 1].map((k) => ring.reduce((sum, point) => sum + point[k]!, 0) / n) as unknown as Point;
  // It begins where it reaches out furthest: a corner, where there is one.
  const start = ring.reduce((best, point, i) => (away(point, middle) > away(ring[best]!, middle) ? i : best), 0);
  const point = (i: number): Point => ring[(((start + i) % n) + n) % n]!;
  const side = (from: number, to: number) => {
    const between = Array.from({ length: to - from + 1 }, (_, k) => point(from + k));
    return bowOf(between, point(from), point(to));
  };
  const at: number[] = [];
  for (let from = 0; from < n;) {
    at.push(from);
    // A side of a closed line ends half way round at the latest: its two ends would be one.
    const most = Math.min(n, from + Math.floor(n / 2));
    from = furthest(from, most, (end) => side(from, end).offMm <= toleranceMm);
  }
  // Each side went as far as it could, and so beyond its corner: the corner lies where both sides beside it lie nearest.
  for (let pass = 0; pass < PASSES; pass++)
    for (let k = 1; k < at.length; k++) {
      const [before, next] = [at[k - 1]!, at[k + 1] ?? n];
      const off = (i: number) => side(before, i).offMm + side(i, next).offMm;
      let best = at[k]!;
      let least = off(best);
      const [low, high] = [Math.max(before + 1, best - AROUND), Math.min(next - 1, best + AROUND)];
      for (let i = low; i <= high; i++) {
        const here = off(i);
        if (here < least - 1e-9) [best, least] = [i, here];
      }
      at[k] = best;
    }
  return at.map((from, k): Corner => ({ at: point(from), bowMm: side(from, at[k + 1] ?? n).bowMm }));
}

/** Arcs are drawn so finely, mm. */
const FINE_MM = 0.01;
/** Of a round no more sides than these. */
const MOST_SIDES = 96;

/** An outline of straight sides and arcs as a ring of points. */
export function ringOf(corners: readonly Corner[]): Ring {
  return corners.flatMap(({ at, bowMm }, i): Point[] => {
    const to = corners[(i + 1) % corners.length]!.at;
    const round = Math.abs(bowMm) < FLAT_MM ? null : circleOf(at, bowed(at, to, bowMm), to);
    if (!round) return [at];
    const { middle, radius } = round;
    const angle = ([x, y]: Point) => Math.atan2(y - middle[1], x - middle[0]);
    const [from, half] = [angle(at), angle(bowed(at, to, bowMm))];
    // Twice the way to its middle, the short way round.
    const turn = 2 * Math.atan2(Math.sin(half - from), Math.cos(half - from));
    const step = 2 * Math.acos(Math.max(0, 1 - FINE_MM / radius));
    const sides = Math.min(MOST_SIDES, Math.max(2, Math.ceil(Math.abs(turn) / step)));
    return Array.from({ length: sides }, (_, k): Point => {
      if (k === 0) return at;
      const a = from + (turn * k) / sides;
      return [middle[0] + radius * Math.cos(a), middle[1] + radius * Math.sin(a)];
    });
  });
}

/** A left one from a right one: seen in a mirror, bows and all. */
export const mirroredCorners = (corners: readonly Corner[]): Corner[] =>
  corners
    .map(({ at: [x, y] }, i): Corner => ({
      at: [-x, y],
      bowMm: corners[(i + corners.length - 1) % corners.length]!.bowMm,
    }))
    .reverse();

/** Area inside, mm². */
export const areaInside = (corners: readonly Corner[]): number => Math.abs(twiceArea(ringOf(corners))) / 2;
