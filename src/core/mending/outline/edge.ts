import { LINEAR_OF_CODE } from '../../colour/bulk';
import { median, quantile } from '../../numbers';
import type { Picture, Point } from '../../picture/picture';

/** Linear red, green, blue between pixels; a pixel's middle is at half a pixel. */
export function lightAt({ data, width, height }: Picture, [x, y]: Point): [number, number, number] {
  const u = Math.min(width - 1.001, Math.max(0, x - 0.5));
  const v = Math.min(height - 1.001, Math.max(0, y - 0.5));
  const [iu, iv] = [Math.floor(u), Math.floor(v)];
  const [fu, fv] = [u - iu, v - iv];
  const at = (k: number, dx: number, dy: number) => LINEAR_OF_CODE[data[4 * ((iv + dy) * width + iu + dx) + k]!]!;
  return [0, 1, 2].map(
    (k) => (1 - fv) * ((1 - fu) * at(k, 0, 0) + fu * at(k, 1, 0)) + fv * ((1 - fu) * at(k, 0, 1) + fu * at(k, 1, 1)),
  ) as [number, number, number];
}

/** A ring that was moved onto the edge it stands for. */
export interface OnEdge {
  points: Point[];
  /** How far its points still jump to and fro, px. */
  scatterPx: number;
  /** How far apart the edge lies by light and by the picture’s numbers, px: which of the two was blurred nobody knows. */
  betweenPx: number;
  /** Share of its points at which no edge was seen. */
  unseen: number;
}

/** Points of a ring at equal distances, px. */
function evenly(ring: readonly Point[], stepPx: number): Point[] {
  const points: Point[] = [];
  let carry = 0;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const long = Math.hypot(bx - ax, by - ay);
    for (; carry < long; carry += stepPx)
      points.push([ax + ((bx - ax) * carry) / long, ay + ((by - ay) * carry) / long]);
    carry -= long;
  });
  return points;
}

/** Inner and outer light are looked up so far beyond what is searched, px. */
const BEYOND_PX = 1.5;
/** Light has to change by so much for an edge, of full light. */
const LEAST_CHANGE = 0.012;
const SUBSTEP_PX = 0.25;
/** A lens blurs light; a phone, and every drawing, blurs numbers that go as this power of it. */
const CODED = 1 / 2.2;

type Colour = readonly [number, number, number];
const coded = (light: Colour): Colour => [light[0] ** CODED, light[1] ** CODED, light[2] ** CODED];

/** Where a colour on the way is half way between its two ends, nearest to the middle of the way; `null` where it never is. */
function halfWay(way: readonly Colour[], [a, b]: readonly [Colour, Colour], reachPx: number): number | null {
  const axis = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
  const long2 = axis[0] ** 2 + axis[1] ** 2 + axis[2] ** 2;
  if (long2 < LEAST_CHANGE ** 2) return null;
  const shares = way.map(
    (c) => ((c[0] - a[0]) * axis[0] + (c[1] - a[1]) * axis[1] + (c[2] - a[2]) * axis[2]) / long2 - 0.5,
  );
  let best: number | null = null;
  for (let k = 1; k < shares.length; k++) {
    const [before, after] = [shares[k - 1]!, shares[k]!];
    if (before < 0 === after < 0) continue;
    const at = -reachPx + SUBSTEP_PX * (k - 1 + before / (before - after));
    if (best === null || Math.abs(at) < Math.abs(best)) best = at;
  }
  return best;
}

/** Across a ring at each of its points, to the right hand of its way (y down), smoothed over a few neighbours. */
function outwards(ring: readonly Point[]): Point[] {
  const n = ring.length;
  const span = Math.max(2, Math.min(6, Math.floor(n / 12)));
  return ring.map((_, i): Point => {
    const [[ax, ay], [bx, by]] = [ring[(i + n - span) % n]!, ring[(i + span) % n]!];
    const long = Math.max(1e-9, Math.hypot(bx - ax, by - ay));
    return [(by - ay) / long, -(bx - ax) / long];
  });
}

/** A second look is taken so near to the first, px: a shadow beside the edge fades over more. */
const CLOSE_PX = 2.5;

/**
 * Moves a ring onto the edge of the part, and from there once more with a closer look: a shadow beside it moves it less.
 * The steps that pixels make of an edge are evened out.
 */
export function onEdge(picture: Picture, ring: readonly Point[], reachPx: number): OnEdge {
  const first = movedOn(picture, ring, reachPx);
  const edge = reachPx > CLOSE_PX && first.unseen < 0.5 ? movedOn(picture, first.points, CLOSE_PX) : first;
  return { ...edge, points: withoutSteps(edge.points) };
}

/**
 * Pixels make steps of an aslant edge, up to a quarter of a pixel in and out; over so many points to either side they even
 * out. Kept, they would make every part two of them too wide.
 */
const EVEN_POINTS = 6;
/** What is moved further by that is a corner, and stays. */
const STEP_OUT_PX = 0.6;

/** A ring without steps: each point by the parabola through its neighbours (Savitzky and Golay), which bends as the edge does. */
function withoutSteps(ring: readonly Point[]): Point[] {
  const n = ring.length;
  const m = Math.min(EVEN_POINTS, Math.floor(n / 12));
  if (m < 2) return [...ring];
  const weights = Array.from(
    { length: 2 * m + 1 },
    (_, k) => (3 * (3 * m * (m + 1) - 1 - 5 * (k - m) ** 2)) / ((2 * m - 1) * (2 * m + 1) * (2 * m + 3)),
  );
  return ring.map((point, i): Point => {
    let [x, y] = [0, 0];
    weights.forEach((weight, k) => {
      const [px, py] = ring[(i + n + k - m) % n]!;
      x += weight * px;
      y += weight * py;
    });
    return Math.hypot(x - point[0], y - point[1]) > STEP_OUT_PX ? point : [x, y];
  });
}

/**
 * Moves a ring onto the edge of the part, to fractions of a pixel: across each of its points, where light is half way
 * between that inside and that outside, and half way again between that place and the one by the picture’s numbers.
 *
 * @param reachPx how far off the ring may be
 */
function movedOn(picture: Picture, ring: readonly Point[], reachPx: number): OnEdge {
  const points = evenly(ring, 1);
  const n = points.length;
  const far = reachPx + BEYOND_PX;
  const normals = outwards(points);
  const steps = Math.round((2 * reachPx) / SUBSTEP_PX) + 1;
  const between: number[] = [];
  const offs = points.map(([x, y], i): number | null => {
    const [nx, ny] = normals[i]!;
    const along = (u: number) => lightAt(picture, [x + u * nx, y + u * ny]);
    const way = Array.from({ length: steps }, (_, k) => along(-reachPx + k * SUBSTEP_PX));
    const ends = [along(-far), along(far)] as const;
    const byLight = halfWay(way, ends, reachPx);
    const byNumber = halfWay(way.map(coded), [coded(ends[0]), coded(ends[1])], reachPx);
    if (byLight === null || byNumber === null) return null;
    between.push(Math.abs(byLight - byNumber));
    return (byLight + byNumber) / 2;
  });
  const around = (i: number, reach: number) =>
    Array.from({ length: 2 * reach + 1 }, (_, k) => offs[(i + n + k - reach) % n]).filter((off) => off != null);
  const smooth = offs.map((_, i) => median(around(i, 2)) ?? 0);
  const jumps = offs.flatMap((off, i) => (off === null ? [] : [Math.abs(off - smooth[i]!)]));
  return {
    points: points.map(([x, y], i): Point => [x + smooth[i]! * normals[i]![0], y + smooth[i]! * normals[i]![1]]),
    betweenPx: median(between) ?? 0,
    scatterPx: 1.4826 * (median(jumps) ?? 0),
    unseen: offs.filter((off) => off === null).length / Math.max(1, n),
  };
}

/** The soft side of an edge is compared with its sharp one: these shares of its places are sharper. */
const SOFTEST = 0.8;
const SHARPEST = 0.15;
/** A step of light is looked at over so many pixels to each side. */
const STEP_PX = 1.5;
/** The edge is the innermost step that has so much of the greatest. */
const OF_GREATEST = 0.5;
/** Off by more than this from where the ring was, a step counts; less is its own noise. */
const MOVED_PX = 0.75;

/**
 * Takes a ring that may lie out in the shadow of a part to the part’s own edge: the innermost sharp step of light across it.
 * A shadow fades, an edge does not.
 *
 * @param inPx how far out in a shadow it may lie
 * @returns `softPx` how much softer it is on one side than on the other: there a shadow may be taken for the part
 */
export function innerEdge(picture: Picture, edge: OnEdge, inPx: number): OnEdge & { softPx: number } {
  const ring = edge.points;
  const n = ring.length;
  const out = 2;
  const count = Math.round((inPx + out) / SUBSTEP_PX) + 1;
  const normals = outwards(ring);
  const soft: number[] = [];
  const offs = ring.map(([x, y], i): number => {
    const [nx, ny] = normals[i]!;
    const at = (u: number) => coded(lightAt(picture, [x + u * nx, y + u * ny]));
    const steps = Array.from({ length: count }, (_, k): number => {
      const u = -inPx + k * SUBSTEP_PX;
      const [a, b] = [at(u - STEP_PX), at(u + STEP_PX)];
      return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
    });
    // Over how long a way light goes from that of the part to that of the ground.
    soft.push(steps.reduce((sum, step) => sum + step, 0) / Math.max(1e-6, ...steps));
    const least = OF_GREATEST * Math.max(...steps);
    const first = steps.findIndex(
      (step, k) => k > 0 && k + 1 < steps.length && step >= least && step >= steps[k - 1]! && step >= steps[k + 1]!,
    );
    return first < 0 ? 0 : -inPx + first * SUBSTEP_PX;
  });
  const moved = offs.map((_, i) => median(Array.from({ length: 9 }, (_x, k) => offs[(i + n + k - 4) % n]!)) ?? 0);
  return {
    ...edge,
    softPx: SUBSTEP_PX * Math.max(0, quantile(soft, SOFTEST)! - quantile(soft, SHARPEST)!),
    points: ring.map(([x, y], i): Point => {
      const off = Math.abs(moved[i]!) < MOVED_PX ? 0 : moved[i]!;
      return [x + off * normals[i]![0], y + off * normals[i]![1]];
    }),
  };
}

/** Ways round a place that are looked along for an edge. */
const WAYS = 8;

/** The edge nearest to a place, across the way along which light changes most; `null` where none is near. */
export function nearEdge(picture: Picture, [x, y]: Point, reachPx: number): Point | null {
  const steps = Math.round((2 * reachPx) / SUBSTEP_PX) + 1;
  let best: { at: Point; change: number } | null = null;
  for (let k = 0; k < WAYS; k++) {
    const [nx, ny] = [Math.cos((k * Math.PI) / WAYS), Math.sin((k * Math.PI) / WAYS)];
    const along = (u: number) => lightAt(picture, [x + u * nx, y + u * ny]);
    const ends = [along(-reachPx), along(reachPx)] as const;
    const change = Math.hypot(...ends[0].map((light, i) => light - ends[1][i]!));
    if (best && change <= best.change) continue;
    const way = Array.from({ length: steps }, (_, i) => along(-reachPx + i * SUBSTEP_PX));
    const [byLight, byNumber] = [
      halfWay(way, ends, reachPx),
      halfWay(way.map(coded), [coded(ends[0]), coded(ends[1])], reachPx),
    ];
    if (byLight === null || byNumber === null) continue;
    const off = (byLight + byNumber) / 2;
    best = { at: [x + off * nx, y + off * ny], change };
  }
  return best?.at ?? null;
}
