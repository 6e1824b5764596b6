import { assumed } from '../../assumptions/assumptions';
import type { Mesh, Point3 } from './mesh';

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

/** The part as it lies, z up from the bed. */
function turnedTo({ points, faces }: Mesh, bed: Bed): Mesh {
  const [axis, sign] = UP[bed];
  const [u, v] = [(axis + 1) % 3, (axis + 2) % 3] as const;
  const turned = points.map((point): Point3 =>
    sign > 0 ? [point[u]!, point[v]!, point[axis]] : [point[v]!, point[u]!, -point[axis]],
  );
  const low = turned.reduce((least, [, , z]) => Math.min(least, z), Infinity);
  return { faces, points: turned.map(([x, y, z]): Point3 => [x, y, z - low]) };
}

type Flat = readonly [number, number];

/** An island of plastic in a slice: its area less the holes of the slice by their share, and the narrow side of its box. */
interface Island {
  mm2: number;
  narrowMm: number;
}

/** A cut through an edge: where, and which edge, so that its two triangles meet in it whatever their last digits. */
interface Cut {
  at: Flat;
  edge: number;
}

/** Where the part is cut at a height: from and to, plastic to the left. */
function cutsAt({ points, faces }: Mesh, z: number): [Cut, Cut][] {
  const cuts: [Cut, Cut][] = [];
  for (const face of faces) {
    const below = Number(points[face[0]]![2] < z) + Number(points[face[1]]![2] < z) + Number(points[face[2]]![2] < z);
    if (below === 0 || below === 3) continue;
    let [up, down]: [Cut | null, Cut | null] = [null, null];
    for (let i = 0; i < 3; i++) {
      const [p, q] = [face[i]!, face[(i + 1) % 3]!];
      const [from, to] = [points[p]!, points[q]!];
      if (from[2] < z === to[2] < z) continue;
      const share = (z - from[2]) / (to[2] - from[2]);
      const at: Flat = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
      if (to[2] > from[2]) up = { at, edge: p * points.length + q };
      else down = { at, edge: q * points.length + p };
    }
    cuts.push([down!, up!]);
  }
  return cuts;
}

/** The islands of a slice; holes are no islands. */
function islandsAt(mesh: Mesh, z: number): Island[] {
  const onward = new Map(cutsAt(mesh, z).map((cut) => [cut[0].edge, cut]));
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
export function layOn(mesh: Mesh, bed: Bed, bent: boolean): Lay {
  const laid = turnedTo(mesh, bed);
  const highMm = laid.points.reduce((most, [, , z]) => Math.max(most, z), 0);
  const first = islandsAt(laid, Math.min(FIRST_LAYER_MM, highMm / 2));
  const widest = first.reduce((most, { narrowMm }) => Math.max(most, narrowMm), 0);
  const steep = Math.cos((assumed('overhang') * Math.PI) / 180);
  let hangsMm2 = 0;
  for (const face of laid.faces) {
    if (face.every((corner) => laid.points[corner]![2] <= FIRST_LAYER_MM)) continue;
    const { normal, twice } = planeOf(laid, face);
    if (twice > 0 && normal[2] < -steep - 1e-9) hangsMm2 += twice / 2;
  }
  return {
    ...{ bed, highMm, hangsMm2, standsOnMm2: first.reduce((sum, { mm2 }) => sum + mm2, 0) },
    falls: widest < assumed('foot of a print') * highMm,
    breaks: bent ? breaksAlong(laid, highMm) : null,
  };
}

/** The layer with the longest lever for its width, where that is long, and enough lies beyond to hold it. */
function breaksAlong(laid: Mesh, highMm: number): Lay['breaks'] {
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
export function layings(mesh: Mesh, bent: boolean): Lay[] {
  return BEDS.map((bed) => layOn(mesh, bed, bent)).sort(
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
export function thinnestWall(mesh: Mesh): { mm: number; at: Point3 } {
  const planes = mesh.faces.map((face) => planeOf(mesh, face));
  const every = Math.max(1, Math.floor(planes.length / MOST_PLACES));
  let best: { mm: number; at: Point3 } = { mm: Infinity, at: [0, 0, 0] };
  for (let i = 0; i < planes.length; i += every) {
    const { p, e1, e2, normal, twice } = planes[i]!;
    if (twice < 1e-9) continue;
    const at: Point3 = [p[0] + (e1[0] + e2[0]) / 3, p[1] + (e1[1] + e2[1]) / 3, p[2] + (e1[2] + e2[2]) / 3];
    for (const behind of planes) {
      const mm = wallTo(at, normal, behind);
      if (mm !== null && mm < best.mm) best = { mm, at };
    }
  }
  return best;
}

/** A triangle as a ray meets it: a corner, two sides, and which way it looks. */
interface Plane {
  p: Point3;
  e1: Point3;
  e2: Point3;
  normal: Point3;
  twice: number;
}

function planeOf({ points }: Mesh, [i, j, k]: Mesh['faces'][number]): Plane {
  const [p, q, r] = [points[i]!, points[j]!, points[k]!];
  const e1: Point3 = [q[0] - p[0], q[1] - p[1], q[2] - p[2]];
  const e2: Point3 = [r[0] - p[0], r[1] - p[1], r[2] - p[2]];
  const [x, y, z] = [e1[1] * e2[2] - e1[2] * e2[1], e1[2] * e2[0] - e1[0] * e2[2], e1[0] * e2[1] - e1[1] * e2[0]];
  const twice = Math.hypot(x, y, z);
  const by = twice > 0 ? 1 / twice : 0;
  return { p, e1, e2, normal: [x * by, y * by, z * by], twice };
}

/** A ray on the side between two triangles meets one of them at least, whatever its last digits. */
const ON_SIDE = 1e-9;

/** How far straight in from a face another one lies that looks about the other way, mm; `null` where the ray misses it. Möller and Trumbore, 1997. */
function wallTo(at: Point3, [nx, ny, nz]: Point3, { p, e1, e2, normal }: Plane): number | null {
  // In a corner two faces meet with no wall between them.
  if (nx * normal[0] + ny * normal[1] + nz * normal[2] > -STRAIGHT_ON) return null;
  const [dx, dy, dz] = [-nx, -ny, -nz];
  const [hx, hy, hz] = [dy * e2[2] - dz * e2[1], dz * e2[0] - dx * e2[2], dx * e2[1] - dy * e2[0]];
  const det = e1[0] * hx + e1[1] * hy + e1[2] * hz;
  const [sx, sy, sz] = [at[0] - p[0], at[1] - p[1], at[2] - p[2]];
  const u = (sx * hx + sy * hy + sz * hz) / det;
  if (!(u >= -ON_SIDE && u <= 1 + ON_SIDE)) return null;
  const [tx, ty, tz] = [sy * e1[2] - sz * e1[1], sz * e1[0] - sx * e1[2], sx * e1[1] - sy * e1[0]];
  const v = (dx * tx + dy * ty + dz * tz) / det;
  if (v < -ON_SIDE || u + v > 1 + ON_SIDE) return null;
  const mm = (e2[0] * tx + e2[1] * ty + e2[2] * tz) / det;
  return mm > 1e-4 ? mm : null;
}
