import { assumed } from '../../assumptions/assumptions';
import type { Triangle } from './stack';

type Point3 = Triangle[number];

/** Which side of a part, as it is drawn, lies on the bed of the printer. */
export const BEDS = ['below', 'above', 'left', 'right', 'front', 'back'] as const;
export type Bed = (typeof BEDS)[number];

/** A part on the bed of a printer, lying on one of its sides. */
export interface Lay {
  bed: Bed;
  /** Height and footprint of the first layer, mm and mm². */
  highMm: number;
  standsOnMm2: number;
  /** It may fall over, or come off: its first layer is narrow for its height. */
  falls: boolean;
  /** Faces that hang in the air and want support, mm². */
  hangsMm2: number;
  /** The layer that it breaks along: how high it lies, and the plastic there; `null` where none is narrow. */
  breaks: { atMm: number; mm2: number } | null;
}

/** Axes of a side turned down: what is up, and the two that lie on the bed. */
const UP: Record<Bed, readonly [axis: 0 | 1 | 2, sign: 1 | -1]> = {
  below: [2, 1],
  above: [2, -1],
  left: [0, 1],
  right: [0, -1],
  front: [1, 1],
  back: [1, -1],
};

/** The triangles as they lie, z up from the bed. */
function turnedTo(triangles: readonly Triangle[], bed: Bed): Triangle[] {
  const [axis, sign] = UP[bed];
  const [u, v] = [(axis + 1) % 3, (axis + 2) % 3] as const;
  const turn = (point: Point3): Point3 =>
    sign > 0 ? [point[u]!, point[v]!, point[axis]] : [point[v]!, point[u]!, -point[axis]];
  const turned = triangles.map(([a, b, c]): Triangle => [turn(a), turn(b), turn(c)]);
  const low = turned.flat().reduce((least, [, , z]) => Math.min(least, z), Infinity);
  return turned.map(([a, b, c]): Triangle => [lifted(a, low), lifted(b, low), lifted(c, low)]);
}
const lifted = ([x, y, z]: Point3, by: number): Point3 => [x, y, z - by];

type Flat = readonly [number, number];

/** An island of plastic in a slice: its area less the holes of the slice by their share, and the narrow side of its box. */
interface Island {
  mm2: number;
  narrowMm: number;
}

/** A cut through an edge: where, and which edge, so that its two triangles meet in it whatever their last digits. */
interface Cut {
  at: Flat;
  edge: string;
}

/** Where the part is cut at a height: from and to, plastic to the left. */
function cutsAt(triangles: readonly Triangle[], z: number): [Cut, Cut][] {
  const cuts: [Cut, Cut][] = [];
  for (const triangle of triangles) {
    const below = Number(triangle[0][2] < z) + Number(triangle[1][2] < z) + Number(triangle[2][2] < z);
    if (below === 0 || below === 3) continue;
    let [up, down]: [Cut | null, Cut | null] = [null, null];
    for (let i = 0; i < 3; i++) {
      const [from, to] = [triangle[i]!, triangle[(i + 1) % 3]!];
      if (from[2] < z === to[2] < z) continue;
      const share = (z - from[2]) / (to[2] - from[2]);
      const at: Flat = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
      if (to[2] > from[2]) up = { at, edge: `${from.join()} ${to.join()}` };
      else down = { at, edge: `${to.join()} ${from.join()}` };
    }
    cuts.push([down!, up!]);
  }
  return cuts;
}

/** The islands of a slice; holes are no islands. */
function islandsAt(triangles: readonly Triangle[], z: number): Island[] {
  const onward = new Map(cutsAt(triangles, z).map((cut) => [cut[0].edge, cut]));
  const islands: Island[] = [];
  let [gross, net] = [0, 0];
  for (const [edge, first] of onward) {
    onward.delete(edge);
    let twice = 0;
    let [left, right, front, back] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let cut: [Cut, Cut] | undefined = first; cut;) {
      const [
        {
          at: [px, py],
        },
        {
          at: [qx, qy],
          edge: next,
        },
      ]: [Cut, Cut] = cut;
      twice += px * qy - qx * py;
      [left, right, front, back] = [Math.min(left, px), Math.max(right, px), Math.min(front, py), Math.max(back, py)];
      cut = onward.get(next);
      onward.delete(next);
    }
    net += twice;
    gross += Math.max(0, twice);
    // A hole runs the other way round.
    if (twice > 0) islands.push({ mm2: twice / 2, narrowMm: Math.min(right - left, back - front) });
  }
  return islands.map(({ mm2, narrowMm }) => ({ mm2: (mm2 * net) / gross, narrowMm }));
}

/** A usual first layer, mm. */
const FIRST_LAYER_MM = 0.2;
/** Heights at which a part is cut to find where it is narrow. */
const SLICES = 24;
/** Not half way between two slices: there the corners of parts of round sizes lie. */
const OFF_EDGES = 0.4931;
/** A layer is torn where so much of the plastic holds on to the other side of it; the round back of a pin that lies is not. */
const HELD = 0.25;

/**
 * How a part stands, hangs and breaks when it lies on one of its sides.
 *
 * @param bent whether its load bends it or pulls at it: what is only pressed on does not break along its layers
 */
export function layOn(triangles: readonly Triangle[], bed: Bed, bent: boolean): Lay {
  const laid = turnedTo(triangles, bed);
  const highMm = laid.flat().reduce((most, [, , z]) => Math.max(most, z), 0);
  const first = islandsAt(laid, Math.min(FIRST_LAYER_MM, highMm / 2));
  const widest = first.reduce((most, { narrowMm }) => Math.max(most, narrowMm), 0);
  const steep = Math.cos((assumed('overhang') * Math.PI) / 180);
  let hangsMm2 = 0;
  for (const [a, b, c] of laid) {
    if (Math.max(a[2], b[2], c[2]) <= FIRST_LAYER_MM) continue;
    const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
    const normal = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx] as const;
    const twice = Math.hypot(...normal);
    if (twice > 0 && normal[2] / twice < -steep - 1e-9) hangsMm2 += twice / 2;
  }
  return {
    ...{ bed, highMm, hangsMm2, standsOnMm2: first.reduce((sum, { mm2 }) => sum + mm2, 0) },
    falls: widest < assumed('foot of a print') * highMm,
    breaks: bent ? breaksAlong(laid, highMm) : null,
  };
}

/** The layer with the longest lever for its width, where that is long, and enough lies beyond to hold it. */
function breaksAlong(laid: readonly Triangle[], highMm: number): Lay['breaks'] {
  const slices = Array.from({ length: SLICES }, (_, i) => {
    const atMm = ((i + OFF_EDGES) / SLICES) * highMm;
    const islands = islandsAt(laid, atMm);
    return { atMm, islands, mm2: islands.reduce((sum, { mm2 }) => sum + mm2, 0) };
  });
  const all = slices.reduce((sum, { mm2 }) => sum + mm2, 0);
  let below = 0;
  let worst: { atMm: number; mm2: number; slender: number } | null = null;
  for (const { atMm, islands, mm2: whole } of slices) {
    const above = all - below - whole;
    const lever = Math.max(below < HELD * all ? 0 : highMm - atMm, above < HELD * all ? 0 : atMm);
    for (const { mm2, narrowMm } of islands) {
      const slender = lever / narrowMm;
      if (!worst || slender > worst.slender) worst = { atMm, mm2, slender };
    }
    below += whole;
  }
  return worst && worst.slender > assumed('breaks along its layers') ? { atMm: worst.atMm, mm2: worst.mm2 } : null;
}

/**
 * All sides that a part may be printed on, the best first: it stands, then no narrow layer lies across it, then the least
 * hangs, then it is low.
 */
export function layings(triangles: readonly Triangle[], bent: boolean): Lay[] {
  return BEDS.map((bed) => layOn(triangles, bed, bent)).sort(
    (a, b) =>
      Number(a.falls) - Number(b.falls) ||
      Number(a.breaks !== null) - Number(b.breaks !== null) ||
      Math.round(a.hangsMm2) - Math.round(b.hangsMm2) ||
      a.highMm - b.highMm,
  );
}

/** Cosine of how slanted the face behind a wall may be to the one in front of it. */
const STRAIGHT_ON = 0.85;
/** Places at which a wall is measured. */
const MOST_PLACES = 500;

/** The thinnest wall: straight in from a face to the one behind it, mm, and where, as the part is drawn. */
export function thinnestWall(triangles: readonly Triangle[]): { mm: number; at: Point3 } {
  const sub = (a: Point3, b: Point3): Point3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  const cross = (a: Point3, b: Point3): Point3 => [
    a[1] * b[2] - a[2] * b[1],
    a[2] * b[0] - a[0] * b[2],
    a[0] * b[1] - a[1] * b[0],
  ];
  const dot = (a: Point3, b: Point3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const every = Math.max(1, Math.floor(triangles.length / MOST_PLACES));
  let best: { mm: number; at: Point3 } = { mm: Infinity, at: [0, 0, 0] };
  for (let i = 0; i < triangles.length; i += every) {
    const [a, b, c] = triangles[i]!;
    const normal = cross(sub(b, a), sub(c, a));
    const long = Math.hypot(...normal);
    if (long < 1e-9) continue;
    const inward: Point3 = [-normal[0] / long, -normal[1] / long, -normal[2] / long];
    const from: Point3 = [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3];
    // Möller and Trumbore, 1997.
    for (const [p, q, r] of triangles) {
      const [e1, e2] = [sub(q, p), sub(r, p)];
      const h = cross(inward, e2);
      const det = dot(e1, h);
      // Only faces that are left from inside, and about straight: in a corner two faces meet with no wall between them.
      if (det > -STRAIGHT_ON * Math.hypot(...cross(e1, e2))) continue;
      const s = sub(from, p);
      const u = dot(s, h) / det;
      if (u < 0 || u > 1) continue;
      const t = cross(s, e1);
      const v = dot(inward, t) / det;
      if (v < 0 || u + v > 1) continue;
      const mm = dot(e2, t) / det;
      if (mm > 1e-4 && mm < best.mm) best = { mm, at: from };
    }
  }
  return best;
}
