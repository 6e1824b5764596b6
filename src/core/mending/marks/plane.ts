import { Matrix, inverse } from 'ml-matrix';
import { assumed } from '../../assumptions/assumptions';
import { checkCorners, type Corners } from '../../picture/corners';
import { homographyThrough, project, type Homography } from '../../picture/homography';
import type { Point } from '../../picture/picture';
import { contains } from '../../picture/polygon';

/** Where the camera was: its foot on the plane and its height over it, mm. */
export interface Camera {
  foot: Point;
  heightMm: number;
}

/** One way to read a photograph of a flat ground. */
export interface PlaneLook {
  /** From pixels of the upright picture to mm on the plane, y down. */
  toMm: (px: Point) => Point;
  camera: Camera;
}

/** A flat ground on a photograph, in mm, with how sure it is. */
export interface GroundPlane extends PlaneLook {
  /** The same, each with one thing it was found from off by a standard deviation. */
  variants: readonly PlaneLook[];
}

/** How far a figure that is read off a plane may be off, one standard deviation, by the plane alone. */
export function spreadOf(plane: GroundPlane, figure: (look: PlaneLook) => number): number {
  const is = figure(plane);
  return Math.sqrt(plane.variants.reduce((sum, look) => sum + (figure(look) - is) ** 2, 0));
}

/** Bend of a lens: a place at distance r from the middle of the picture, in half diagonals, lies at r (1 + a r² + b r⁴) without it. */
export interface Lens {
  a: number;
  b: number;
}

/** How large a picture is, px. */
export interface Frame {
  width: number;
  height: number;
}
const halfDiagonal = ({ width, height }: Frame) => Math.hypot(width, height) / 2;

/** A place of the picture without the bend of its lens: from the middle of the picture, in half diagonals, y down. */
export function unbent(frame: Frame, { a, b }: Lens, [x, y]: Point): Point {
  const s = halfDiagonal(frame);
  const [u, v] = [(x - frame.width / 2) / s, (y - frame.height / 2) / s];
  const r2 = u * u + v * v;
  const factor = 1 + a * r2 + b * r2 * r2;
  return [u * factor, v * factor];
}

/** The other way round: where a lens puts a place, found step by step. */
export function bent(frame: Frame, lens: Lens, [u, v]: Point): Point {
  const s = halfDiagonal(frame);
  let [x, y] = [u, v];
  for (let step = 0; step < 8; step++) {
    const r2 = x * x + y * y;
    const factor = 1 + lens.a * r2 + lens.b * r2 * r2;
    [x, y] = [u / factor, v / factor];
  }
  return [frame.width / 2 + s * x, frame.height / 2 + s * y];
}

/**
 * One over the square of the focal length, in half diagonals, by how a plane is foreshortened; seen from straight above it
 * says nothing and has no weight.
 *
 * @param toPlane from unbent picture coordinates to mm
 */
export function focusOf(toPlane: Homography): { w: number; weight: number } {
  const g = inverted(toPlane);
  const [a, b, c] = [
    [g[0]!, g[1]!],
    [g[3]!, g[4]!],
    [g[6]!, g[7]!],
  ] as const;
  // The two ways of the plane stand square to each other and are as long (Zhang 2000).
  const scale = a[0] ** 2 + a[1] ** 2 + b[0] ** 2 + b[1] ** 2;
  const square = [a[0] * a[1] + b[0] * b[1], c[0] * c[1]] as const;
  const even = [a[0] ** 2 + b[0] ** 2 - a[1] ** 2 - b[1] ** 2, c[0] ** 2 - c[1] ** 2] as const;
  const weight = (square[0] ** 2 + even[0] ** 2) / scale ** 2;
  return { w: -(square[0] * square[1] + even[0] * even[1]) / Math.max(1e-18, square[0] ** 2 + even[0] ** 2), weight };
}

const inverted = (h: Homography): number[] =>
  inverse(new Matrix([h.slice(0, 3) as number[], h.slice(3, 6) as number[], h.slice(6, 9) as number[]])).to1DArray();

/** Where the camera was, by its plane and one over the square of its focal length. */
export function cameraOver(toPlane: Homography, w: number): Camera {
  const g = inverted(toPlane);
  const f = 1 / Math.sqrt(w);
  const ways = [0, 1, 2].map((k) => [g[k]! / f, g[3 + k]! / f, g[6 + k]!] as const);
  const [r1, r2, t] = ways as [(typeof ways)[0], (typeof ways)[0], (typeof ways)[0]];
  const length = (Math.hypot(...r1) + Math.hypot(...r2)) / 2;
  const dot = (p: readonly number[], q: readonly number[]) => p[0]! * q[0]! + p[1]! * q[1]! + p[2]! * q[2]!;
  const r3 = [r1[1] * r2[2] - r1[2] * r2[1], r1[2] * r2[0] - r1[0] * r2[2], r1[0] * r2[1] - r1[1] * r2[0]];
  return {
    foot: [-dot(r1, t) / length ** 2, -dot(r2, t) / length ** 2],
    heightMm: Math.abs(dot(r3, t) / length ** 3),
  };
}

/** Focal lengths of 35 mm film go with a frame 36 mm wide. */
const FILM_HALF_DIAGONAL_MM = Math.hypot(36, 24) / 2;

/** What is known of the focal length before: by the picture's own note, else as phones mostly have it. */
export function focusBefore(focal35Mm?: number | undefined): { w: number; sd: number } {
  const [mm, share] =
    focal35Mm === undefined
      ? [assumed('focal length of a phone'), assumed('spread of focal lengths')]
      : [focal35Mm, assumed('noted focal length is off')];
  const w = (FILM_HALF_DIAGONAL_MM / mm) ** 2;
  return { w, sd: 2 * share * w };
}

/** Two of the same thing, each with its spread, together. */
export function together(a: { w: number; sd: number }, b: { w: number; sd: number }): { w: number; sd: number } {
  const [ka, kb] = [1 / a.sd ** 2, 1 / b.sd ** 2];
  return { w: (ka * a.w + kb * b.w) / (ka + kb), sd: 1 / Math.sqrt(ka + kb) };
}

/** So short a focal length no phone has, in half diagonals: what a plane says beyond it is noise. */
const WIDEST_W = 12;
const LEAST_W = 0.02;
export const asFocus = (w: number): number => Math.min(WIDEST_W, Math.max(LEAST_W, w));

/** Four corners of a thing of known size on the ground, as a hand marked them, and the picture that they are on. */
export interface MarkedThing {
  corners: Corners;
  widthMm: number;
  heightMm: number;
}

/**
 * The ground by a thing of known size that lies on it.
 *
 * @param focal35Mm of the picture as it notes it itself
 * @throws Refusal for corners that are crossed or nearly in a line
 */
export function planeOfThing(frame: Frame, thing: MarkedThing, focal35Mm?: number | undefined): GroundPlane {
  checkCorners(thing.corners);
  const { widthMm, heightMm } = thing;
  const sides: Point[] = [
    [0, 0],
    [widthMm, 0],
    [widthMm, heightMm],
    [0, heightMm],
  ];
  const through = (corners: readonly Point[], lens: Lens): Homography =>
    homographyThrough(
      corners.map((corner) => unbent(frame, lens, corner)),
      sides,
    );
  const hand = assumed('hand marks corners');
  const straight: Lens = { a: 0, b: 0 };
  const moved = thing.corners.flatMap((_, k) =>
    ([0, 1] as const).map((axis) =>
      thing.corners.map((corner, i): Point => {
        if (i !== k) return corner;
        return axis === 0 ? [corner[0] + hand, corner[1]] : [corner[0], corner[1] + hand];
      }),
    ),
  );
  const toPlane = through(thing.corners, straight);
  const before = focusBefore(focal35Mm);
  const seen = focusOf(toPlane);
  const seenSd = Math.sqrt(
    moved.reduce((sum, corners) => sum + (focusOf(through(corners, straight)).w - seen.w) ** 2, 0),
  );
  const focus = seen.weight > 1e-8 && seenSd > 0 ? together(before, { w: seen.w, sd: seenSd }) : before;
  const look = (h: Homography, lens: Lens, w: number): PlaneLook => ({
    toMm: (px) => project(h, unbent(frame, lens, px)),
    camera: cameraOver(h, asFocus(w)),
  });
  const bend: Lens = { a: assumed('bend of a lens'), b: 0 };
  return {
    ...look(toPlane, straight, focus.w),
    variants: [
      ...moved.map((corners) => look(through(corners, straight), straight, focus.w)),
      look(through(thing.corners, bend), bend, focus.w),
      look(toPlane, straight, focus.w + focus.sd),
    ],
  };
}

/** A ground by a printed sheet, were it printed larger by its spread: its bar is read by eye, and paper is not quite flat. */
export function printedLarger({ toMm, camera }: PlaneLook): PlaneLook {
  const larger = 1 + assumed('scale of a printed sheet');
  const scaled = ([x, y]: Point): Point => [x * larger, y * larger];
  return {
    toMm: (px) => scaled(toMm(px)),
    camera: { foot: scaled(camera.foot), heightMm: camera.heightMm * larger },
  };
}

/** Takes a place seen on a rim that stands so high over the plane to where it is. */
export function atHeight({ foot, heightMm }: Camera, [x, y]: Point, overMm: number): Point {
  const share = 1 - overMm / heightMm;
  return [foot[0] + (x - foot[0]) * share, foot[1] + (y - foot[1]) * share];
}

/** Rims may lie so far beyond one another by noise, mm. */
const SLACK_MM = 0.05;

/**
 * A ring that was seen as the outline of a thing with upright walls, taken to where its rims are: away from the camera's
 * foot the upper rim is seen, towards it the lower one.
 *
 * @param ring mm, the material to the left hand of its way (y down)
 * @param upperMm how high its upper rim stands over the plane; `lowerMm` its lower one
 */
export function onRims(camera: Camera, ring: readonly Point[], upperMm: number, lowerMm: number): Point[] {
  const [upper, lower] = [upperMm, lowerMm].map((over) => ring.map((point) => atHeight(camera, point, over))) as [
    Point[],
    Point[],
  ];
  if (upperMm === lowerMm) return upper;
  const middle: Point = [
    ring.reduce((sum, [x]) => sum + x, 0) / ring.length,
    ring.reduce((sum, [, y]) => sum + y, 0) / ring.length,
  ];
  const inwards = ([x, y]: Point): Point => {
    const far = Math.max(1e-9, Math.hypot(middle[0] - x, middle[1] - y));
    return [x + (SLACK_MM * (middle[0] - x)) / far, y + (SLACK_MM * (middle[1] - y)) / far];
  };
  // Where an upright edge between both rims is seen, a place of one would stick out of the other.
  const kept = ring.flatMap((_, i): Point[] => {
    const near = towardsFoot(camera, ring, i) > 0;
    const [at, other] = near ? [lower[i]!, upper] : [upper[i]!, lower];
    return contains(other, inwards(at)) ? [at] : [];
  });
  return kept.length > ring.length / 3 ? kept : upper;
}

/** How far a place of a ring would move out of the material by a mm towards the camera's foot: more than 0 on its near side. */
export function towardsFoot({ foot }: Camera, ring: readonly Point[], i: number): number {
  const n = ring.length;
  const span = Math.max(1, Math.min(4, Math.floor(n / 12)));
  const [[ax, ay], [bx, by], [x, y]] = [ring[(i + n - span) % n]!, ring[(i + span) % n]!, ring[i]!];
  const long = Math.max(1e-9, Math.hypot(bx - ax, by - ay));
  const far = Math.max(1e-9, Math.hypot(foot[0] - x, foot[1] - y));
  return ((foot[0] - x) * (by - ay) - (foot[1] - y) * (bx - ax)) / (long * far);
}
