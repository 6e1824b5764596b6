import { contours } from 'd3-contour';
import simplify from 'simplify-js';
import { writeLab } from '../../colour/bulk';
import { median, quantile } from '../../numbers';
import type { Picture, Point } from '../../picture/picture';
import { contains } from '../../picture/polygon';
import { Refusal } from '../../refusal';
import { findMarks } from '../marks/findMarks';
import { onRims, planeOfThing, spreadOf, towardsFoot, type GroundPlane } from '../marks/plane';
import { insideOf, twiceArea } from '../part/rings';
import { lightAt, innerEdge, onEdge, type OnEdge } from './edge';
import { grownFrom } from './grow';
import type { OutlineSpec, Scale } from './spec';
import { untangled } from './untangled';

/** What makes an outline less sure. */
export type OutlineWarning =
  /** A pixel is so many mm: no tenth of a mm is seen. */
  | { kind: 'coarse'; mmPerPx: number }
  /** It reaches so many times the size of the known thing beyond it. */
  | { kind: 'far from the known thing'; times: number }
  /** At this share of it no edge was seen. */
  | { kind: 'edge not seen'; share: number }
  /** A shadow so wide lies along it, mm: where the part ends in it is unsure. */
  | { kind: 'shadow beside it'; mm: number }
  /** It was photographed from aside: so much of its walls is seen, mm. */
  | { kind: 'wall seen'; mm: number }
  /** So many marks on the part were taken for print or glare, not for holes. */
  | { kind: 'marks left out'; count: number };

export interface Outline {
  /** mm from the first corner of the known thing, or the middle of the first dot of the sheet of marks, y down. */
  outline: Point[];
  holes: Point[][];
  areaMm2: number;
  perimeterMm: number;
  /** Of a place on the outline, one standard deviation. */
  sdMm: number;
  warnings: OutlineWarning[];
}

/** Smaller holes are not told from dirt, mm². */
const LEAST_HOLE_MM2 = 0.8;
const round = (mm: number) => Math.round(1000 * mm) / 1000;

/** The edge of a part is off by so many pixels at least. */
export const LEAST_EDGE_PX = 0.25;
/** Coarser than this no tenth of a mm is seen. */
const COARSE_MM = 0.3;
/** Points nearer to a straight line than this say nothing, px. */
const STRAIGHT_PX = 0.2;

export const areaOf = (ring: readonly Point[]) => Math.abs(twiceArea(ring)) / 2;
const long = (ring: readonly Point[]) =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!;
    return sum + Math.hypot(nx - x, ny - y);
  }, 0);

const simpler = (ring: readonly Point[], tolerance: number): Point[] =>
  simplify(
    [...ring, ring[0]!].map(([x, y]) => ({ x, y })),
    tolerance,
    true,
  )
    .slice(0, -1)
    .map(({ x, y }): Point => [x, y]);

const labAt = (picture: Picture, place: Point): Float32Array => {
  const lab = new Float32Array(3);
  writeLab(...lightAt(picture, place), lab, 0);
  return lab;
};
const apart = (a: Float32Array, b: Float32Array) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!);

/**
 * What is of one colour round a place on a photograph, as rings of pixels: round it, with the material to the left hand (y
 * down), and the holes in it.
 *
 * @returns `reach` is how far off its edge a ring may lie, px
 * @throws Refusal where no edge is seen, or it is not wholly on the picture
 */
export function tracedFrom(
  picture: Picture,
  inside: Point,
  nearest = false,
): { around: Point[]; inner: Point[][]; reach: number } {
  const { columns, rows, size, mask } = grownFrom(picture, inside, nearest);
  const [shape] = contours().size([columns, rows]).thresholds([0.5])(Array.from(mask));
  const inPx = (ring: readonly (readonly number[])[]): Point[] =>
    ring.slice(0, -1).map(([x, y]): Point => [x! * size, y! * size]);
  const found = (shape?.coordinates ?? [])
    .map((rings) => rings.map(inPx))
    .find(([outer]) => outer && contains(outer, inside));
  if (!found) throw new Refusal('inside', 'No edge is seen round this place. Mark a place in the middle of the part.');
  const [outer, ...inner] = found as [Point[], ...Point[][]];
  return { around: turnedOut(outer), inner, reach: 1.5 * size + 2.5 };
}

/**
 * The outline of the part round a place on a photograph, with its holes, in mm of the plane that a thing of known size lies
 * in.
 *
 * @param spec pixels from the upper left corner of the upright picture, whose first pixel reaches from 0 to 1
 * @throws Refusal where no edge is seen, or the part is not wholly on the picture
 */
export function outlineOf(picture: Picture, spec: OutlineSpec): Outline {
  const { inside, plane: thing, thicknessMm = 0 } = spec;
  const { plane, within } = groundOnPicture(picture, spec);
  const { around, inner, reach } = tracedFrom(picture, inside);
  const rough = onEdge(picture, around, reach);
  const mmPerPx = Math.sqrt(areaOf(rough.points.map(plane.toMm)) / areaOf(rough.points));
  const edge = innerEdge(picture, rough, SHADOW_IN_MM / mmPerPx);
  const part = labAt(picture, inside);
  const ground = groundOf(picture, around, reach + 2 + (CLEAR_MM + thicknessMm / 2) / mmPerPx);
  const holes: OnEdge[] = [];
  let marks = 0;
  for (const ring of inner) {
    if (areaOf(ring) * mmPerPx ** 2 < LEAST_HOLE_MM2) continue;
    const seen = labAt(picture, deepIn(ring));
    // A hole shows what the part lies on; print and glare do not.
    if (apart(seen, ground) < apart(seen, part)) holes.push(onEdge(picture, turnedIn(ring), reach));
    else marks++;
  }
  const lower = -(thing?.aboveGroundMm ?? 0);
  const upper = thicknessMm + lower;
  const wall = wallSeen(picture, plane, edge.points, { upper, lower, mmPerPx, ground });
  const shadowMm = shadowBeside(picture, edge.points, mmPerPx);

  const rims = (ring: OnEdge) => onRims(plane.camera, ring.points.map(plane.toMm), upper, wall.outside ? upper : lower);
  const [outlineMm, ...holesMm] = [edge, ...holes].map((ring) =>
    untangled(simpler(untangled(rims(ring)), STRAIGHT_PX * mmPerPx)),
  ) as [Point[], ...Point[][]];
  if (within && outlineMm.some(([x, y]) => x < 0 || y < 0 || x > within[0] || y > within[1]))
    throw new Refusal(
      'inside',
      'What is of one colour round this place reaches beyond the dots of the sheet. Mark a place in the middle of the part, away from its walls, and photograph it in light from all sides.',
    );
  const far = thing ? beyond(outlineMm, thing.widthMm, thing.heightMm) : 0;
  const unseen = edge.unseen;
  return {
    outline: outlineMm.map(([x, y]): Point => [round(x), round(y)]),
    holes: holesMm.map((ring) => ring.map(([x, y]): Point => [round(x), round(y)])),
    areaMm2: areaOf(outlineMm) - holesMm.reduce((sum, ring) => sum + areaOf(ring), 0),
    perimeterMm: long(outlineMm),
    sdMm: Math.hypot(
      mmPerPx * Math.hypot(Math.max(edge.scatterPx, LEAST_EDGE_PX), edge.betweenPx / 2),
      sizeSdMm(plane, edge.points, upper) / Math.SQRT2,
      WALL_SD * wall.mm,
      SHADOW_SD * shadowMm,
      SOFT_SD * mmPerPx * edge.softPx,
      RIM_SD * thicknessMm,
    ),
    warnings: [
      ...(mmPerPx > COARSE_MM ? [{ kind: 'coarse' as const, mmPerPx }] : []),
      ...(far > 1 ? [{ kind: 'far from the known thing' as const, times: far }] : []),
      ...(unseen > 0.05 ? [{ kind: 'edge not seen' as const, share: unseen }] : []),
      ...(shadowMm > SHADOW_MM ? [{ kind: 'shadow beside it' as const, mm: shadowMm }] : []),
      ...(wall.mm > WALL_MM ? [{ kind: 'wall seen' as const, mm: wall.mm }] : []),
      ...(marks > 0 ? [{ kind: 'marks left out' as const, count: marks }] : []),
    ],
  };
}

/** Rims of thick parts are rounded and lie in their own shade: of the thickness so much stays unsure. */
const RIM_SD = 0.05;
/** Of what one side is softer than the other so much stays unsure. */
const SOFT_SD = 0.5;
/** A ring that was found may lie so far out in a shadow, mm. */
const SHADOW_IN_MM = 1.2;
/** Of a shadow so much stays unsure, and from so many mm on it is said. */
const SHADOW_SD = 0.35;
const SHADOW_MM = 0.4;
/** Shadows are looked for so far out, mm, and end where the ground has this share of its light. */
const SHADOW_REACH_MM = 3.5;
const LIT = 0.93;
/** Of the places round a part so many have less of a shadow. */
const SHADOW_QUANTILE = 0.75;

/** How wide a shadow lies beside a part on the side that has most of it, mm. */
function shadowBeside(picture: Picture, ring: readonly Point[], mmPerPx: number): number {
  const n = ring.length;
  const reach = SHADOW_REACH_MM / mmPerPx;
  const widths = Array.from({ length: 4 * LOOKS }, (_, k) => {
    const i = Math.floor((k * n) / (4 * LOOKS));
    const [[ax, ay], [bx, by], [x, y]] = [ring[(i + n - 2) % n]!, ring[(i + 2) % n]!, ring[i]!];
    const long = Math.max(1e-9, Math.hypot(bx - ax, by - ay));
    const lights: number[] = [];
    // The blur of the edge itself is no shadow.
    for (let out = EDGE_PX; out < reach; out++) {
      const [r, g, b] = lightAt(picture, [x + (out * (by - ay)) / long, y - (out * (bx - ax)) / long]);
      lights.push(r + g + b);
    }
    const lit = LIT * (quantile(lights, 0.8) ?? 0);
    return (
      Math.max(
        0,
        lights.findIndex((light) => light >= lit),
      ) * mmPerPx
    );
  });
  return quantile(widths, SHADOW_QUANTILE) ?? 0;
}
/** An edge is blurred over so many pixels. */
const EDGE_PX = 3;

/** Of a wall that is seen so much stays unsure, and from so many mm on it is said. */
const WALL_SD = 0.08;
const WALL_MM = 0.5;
/** A wall is of another light than the face by so much, L*a*b*. */
const WALL_OTHER = 6;
/** Walls that look narrower than this are not looked at, px. */
const NARROW_PX = 3;

/** How wide the walls look on the side of a part that is towards the camera, and whether they lie outside of what was found. */
function wallSeen(
  picture: Picture,
  { camera, toMm }: GroundPlane,
  ring: readonly Point[],
  by: { upper: number; lower: number; mmPerPx: number; ground: Float32Array },
): { mm: number; outside: boolean } {
  const mm = ring.map(toMm);
  const share = (by.upper - by.lower) / camera.heightMm;
  const n = ring.length;
  let widest = 0;
  const [outer, inner, deep]: Float32Array[][] = [[], [], []];
  for (let i = 0; i < n; i++) {
    const towards = towardsFoot(camera, mm, i);
    const wide = towards * share * Math.hypot(mm[i]![0] - camera.foot[0], mm[i]![1] - camera.foot[1]);
    if (wide <= 0) continue;
    widest = Math.max(widest, wide);
    if (wide < NARROW_PX * by.mmPerPx) continue;
    const [[ax, ay], [bx, bY]] = [ring[(i + n - 2) % n]!, ring[(i + 2) % n]!];
    const out = wide / by.mmPerPx / Math.max(1e-9, Math.hypot(bx - ax, bY - ay));
    const across = (k: number) =>
      labAt(picture, [ring[i]![0] + k * out * (bY - ay), ring[i]![1] - k * out * (bx - ax)]);
    outer!.push(across(0.5));
    inner!.push(across(-0.5));
    deep!.push(across(-1.8));
  }
  if (outer!.length === 0) return { mm: widest, outside: false };
  const [out, within, face] = [outer!, inner!, deep!].map(middleLab) as [Float32Array, Float32Array, Float32Array];
  // A wall inside of the ring is of another light than the face; outside of it, of another than the ground.
  const outside = apart(within, face) < WALL_OTHER && apart(out, by.ground) > 0.5 * apart(face, by.ground);
  return { mm: widest, outside };
}

const middleLab = (labs: readonly Float32Array[]): Float32Array =>
  Float32Array.from([0, 1, 2], (k) => median(labs.map((lab) => lab[k]!))!);

/** The ground that a spec names, or the sheet of marks that lies on it, with how far its dots reach. */
export function groundOnPicture(
  picture: Picture,
  { plane, barMm, focal35Mm }: Scale,
): { plane: GroundPlane; within: Point | null } {
  if (plane) return { plane: planeOfThing(picture, plane, focal35Mm), within: null };
  const found = findMarks(picture, { barMm, focal35Mm });
  if (!found)
    throw new Refusal(
      'plane',
      'No sheet of marks is seen, and no thing of known size is marked. Lay the part on the sheet, all four sides of it in the picture, or mark a card.',
    );
  const { columns, rows, pitchMm } = found.sheet;
  return { plane: found.plane, within: [(columns - 1) * pitchMm, (rows - 1) * pitchMm] };
}

/** How far the larger side of an outline may be off by the ground alone, mm, one standard deviation. */
function sizeSdMm(plane: GroundPlane, ring: readonly Point[], overMm: number): number {
  const mm = ring.map(plane.toMm);
  return Math.max(
    ...([0, 1] as const).map((axis) => {
      const [least, most] = [0, 0].map((_, k) =>
        mm.reduce((best, point, i) => ((k === 0) === point[axis] < mm[best]![axis] ? i : best), 0),
      ) as [number, number];
      return spreadOf(plane, ({ toMm, camera }) => {
        const share = 1 - Math.max(0, overMm) / camera.heightMm;
        return (toMm(ring[most]!)[axis] - toMm(ring[least]!)[axis]) * share;
      });
    }),
  );
}

/** How far an outline reaches beyond the thing of known size, in sizes of that. */
function beyond(ring: readonly Point[], widthMm: number, heightMm: number): number {
  const over = (at: number, size: number) => Math.max(0, -at, at - size) / size;
  return Math.max(...ring.map(([x, y]) => Math.max(over(x, widthMm), over(y, heightMm))));
}

/** Turned so that the right hand of its way, y down, is outside: with the clock. */
const turnedOut = (ring: Point[]): Point[] => (twiceArea(ring) > 0 ? ring : [...ring].reverse());
const turnedIn = (ring: Point[]): Point[] => (twiceArea(ring) < 0 ? ring : [...ring].reverse());

/** A place well inside of a ring: its middle, where that is inside. */
function deepIn(ring: readonly Point[]): Point {
  const middle: Point = [
    ring.reduce((sum, [x]) => sum + x, 0) / ring.length,
    ring.reduce((sum, [, y]) => sum + y, 0) / ring.length,
  ];
  return contains(ring, middle) ? middle : insideOf(ring);
}

/** Shadows of flat parts reach so far. */
const CLEAR_MM = 1.5;
/** Places round a ring at which the ground is looked up. */
const LOOKS = 24;

/** The colour of what the part lies on: the middle one of places round it. */
function groundOf(picture: Picture, ring: readonly Point[], farPx: number): Float32Array {
  const looks = Array.from({ length: LOOKS }, (_, k): Float32Array => {
    const i = Math.floor((k * ring.length) / LOOKS);
    const [[ax, ay], [bx, by]] = [ring[i]!, ring[(i + 1) % ring.length]!];
    const long = Math.max(1e-9, Math.hypot(bx - ax, by - ay));
    return labAt(picture, [(ax + bx) / 2 + (farPx * (by - ay)) / long, (ay + by) / 2 - (farPx * (bx - ax)) / long]);
  });
  return middleLab(looks);
}
