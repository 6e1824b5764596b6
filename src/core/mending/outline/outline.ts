import { contours } from 'd3-contour';
import simplify from 'simplify-js';
import { writeLab } from '../../colour/bulk';
import { median } from '../../numbers';
import { checkCorners } from '../../picture/corners';
import { homographyThrough, project } from '../../picture/homography';
import type { Picture, Point } from '../../picture/picture';
import { contains } from '../../picture/polygon';
import { Refusal } from '../../refusal';
import { insideOf, twiceArea } from '../part/rings';
import { lightAt, onEdge, type OnEdge } from './edge';
import { grownFrom } from './grow';
import type { OutlineSpec } from './spec';

/** What makes an outline less sure. */
export type OutlineWarning =
  /** A pixel is so many mm: no tenth of a mm is seen. */
  | { kind: 'coarse'; mmPerPx: number }
  /** It reaches so many times the size of the known thing beyond it. */
  | { kind: 'far from the known thing'; times: number }
  /** At this share of it no edge was seen. */
  | { kind: 'edge not seen'; share: number }
  /** So many marks on the part were taken for print or glare, not for holes. */
  | { kind: 'marks left out'; count: number };

export interface Outline {
  /** mm from the first corner of the known thing, y down. */
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

/** A hand that marks corners is off by so many pixels; the edge of a part by so many at least. */
const CORNER_PX = 0.7;
const LEAST_EDGE_PX = 0.15;
/** Coarser than this no tenth of a mm is seen. */
const COARSE_MM = 0.3;
/** Points nearer to a straight line than this say nothing, px. */
const STRAIGHT_PX = 0.2;

const areaOf = (ring: readonly Point[]) => Math.abs(twiceArea(ring)) / 2;
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
 * The outline of the part round a place on a photograph, with its holes, in mm of the plane that a thing of known size lies
 * in.
 *
 * @param spec pixels from the upper left corner of the upright picture, whose first pixel reaches from 0 to 1
 * @throws Refusal where no edge is seen, or the part is not wholly on the picture
 */
export function outlineOf(picture: Picture, { plane, inside }: OutlineSpec): Outline {
  checkCorners(plane.corners);
  const { widthMm, heightMm, corners } = plane;
  const toPlane = homographyThrough(corners, [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ]);
  const { columns, rows, size, mask } = grownFrom(picture, inside);
  const [shape] = contours().size([columns, rows]).thresholds([0.5])(Array.from(mask));
  const inPx = (ring: readonly (readonly number[])[]): Point[] =>
    ring.slice(0, -1).map(([x, y]): Point => [x! * size, y! * size]);
  const found = (shape?.coordinates ?? [])
    .map((rings) => rings.map(inPx))
    .find(([outer]) => outer && contains(outer, inside));
  if (!found) throw new Refusal('inside', 'No edge is seen round this place. Mark a place in the middle of the part.');
  const [outer, ...inner] = found as [Point[], ...Point[][]];
  const reach = 1.5 * size + 2.5;
  const around = turnedOut(outer);
  const edge = onEdge(picture, around, reach);
  const mmPerPx = Math.sqrt(areaOf(edge.points.map((p) => project(toPlane, p))) / areaOf(edge.points));
  const part = labAt(picture, inside);
  const ground = groundOf(picture, around, reach + 2);
  const holes: OnEdge[] = [];
  let marks = 0;
  for (const ring of inner) {
    if (areaOf(ring) * mmPerPx ** 2 < LEAST_HOLE_MM2) continue;
    const seen = labAt(picture, deepIn(ring));
    // A hole shows what the part lies on; print and glare do not.
    if (apart(seen, ground) < apart(seen, part)) holes.push(onEdge(picture, turnedIn(ring), reach));
    else marks++;
  }
  const toMm = (ring: OnEdge) =>
    simpler(
      ring.points.map((p) => project(toPlane, p)),
      STRAIGHT_PX * mmPerPx,
    );
  const [outlineMm, ...holesMm] = [edge, ...holes].map(toMm) as [Point[], ...Point[][]];
  const far = beyond(outlineMm, widthMm, heightMm);
  const unseen = edge.unseen;
  return {
    outline: outlineMm.map(([x, y]): Point => [round(x), round(y)]),
    holes: holesMm.map((ring) => ring.map(([x, y]): Point => [round(x), round(y)])),
    areaMm2: areaOf(outlineMm) - holesMm.reduce((sum, ring) => sum + areaOf(ring), 0),
    perimeterMm: long(outlineMm),
    sdMm: mmPerPx * Math.hypot(Math.max(edge.scatterPx, LEAST_EDGE_PX), edge.betweenPx / 2, CORNER_PX * (1 + far)),
    warnings: [
      ...(mmPerPx > COARSE_MM ? [{ kind: 'coarse' as const, mmPerPx }] : []),
      ...(far > 1 ? [{ kind: 'far from the known thing' as const, times: far }] : []),
      ...(unseen > 0.05 ? [{ kind: 'edge not seen' as const, share: unseen }] : []),
      ...(marks > 0 ? [{ kind: 'marks left out' as const, count: marks }] : []),
    ],
  };
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
  return Float32Array.from([0, 1, 2], (k) => median(looks.map((lab) => lab[k]!))!);
}
