import type { Lab } from '@/core/colour/types';
import { clearPlace, markAt, marksOf, RING_INSIDE, type MarkSheet } from '@/core/mending/marks/sheet';
import { homographyThrough, project, type Homography } from '@/core/picture/homography';
import type { Point, Rect } from '@/core/picture/picture';
import type { SimulatedPart } from './parts';
import { seededRandom } from './random';
import type { Plate, Scene } from './scene';
import type { Shot } from './shot';

const PAPER: Lab = [93, 0, -1];
const INK: Lab = [17, 0, 0];
const BENCH: Lab = [38, 2, 8];
/** Paper beyond the dots, and bench beyond the paper, mm. */
const RIM_MM = 12;
const BENCH_MM = 35;
/** Walls of a thick part are drawn in so many steps. */
const STEPS = 10;

/** A camera over a bench, mm of the scene. */
export interface Standing {
  foot: Point;
  heightMm: number;
}

/** Where a thing at a height covers the bench, as the camera sees it. */
const castBy = ({ foot, heightMm }: Standing, [x, y, w, h]: Rect, over: number): { box: Rect; scale: number } => {
  const scale = heightMm / (heightMm - over);
  return { box: [foot[0] + (x - foot[0]) * scale, foot[1] + (y - foot[1]) * scale, w * scale, h * scale], scale };
};

/** Where the middle of the first dot lies in the scene. */
export const FIRST_DOT: Point = [BENCH_MM + RIM_MM, BENCH_MM + RIM_MM];

/**
 * A part with upright walls in the clear place of a sheet of marks, as a camera at a place sees it.
 *
 * @param printed what a printer made of a millimetre
 */
export function markScene(
  sheet: MarkSheet,
  part: SimulatedPart & { at: Point; thicknessMm: number },
  camera: Standing,
  { printed = 1, shadowMm = 1.5 } = {},
): Scene {
  const own = { ...sheet, pitchMm: sheet.pitchMm * printed, dotMm: sheet.dotMm * printed };
  const [ox, oy] = FIRST_DOT;
  const [wide, high] = [(own.columns - 1) * own.pitchMm, (own.rows - 1) * own.pitchMm];
  const dot = ([x, y]: Point, d: number): Pick<Plate, 'box' | 'radiusMm'> => ({
    box: [ox + x - d / 2, oy + y - d / 2, d, d],
    radiusMm: d / 2,
  });
  const [px, py] = [ox + part.at[0], oy + part.at[1]];
  const layer = (over: number, lab: Lab, k: number): Plate => {
    const { box, scale } = castBy(camera, [px, py, part.widthMm, part.heightMm], over);
    return {
      ...{ id: `part-${k}`, box, radiusMm: part.radiusMm * scale, lab },
      ...(k === 0 && { shadowMm }),
      ...(k === STEPS && { relief: 0.05 }),
      cuts: part.holes.map(({ box: [x, y, w, h], radiusMm }) => ({
        box: castBy(camera, [px + x, py + y, w, h], over).box,
        radiusMm: radiusMm * scale,
      })),
    };
  };
  const wall: Lab = [part.lab[0] - 14, part.lab[1], part.lab[2]];
  const flat = part.thicknessMm === 0;
  return {
    widthMm: wide + 2 * (RIM_MM + BENCH_MM),
    heightMm: high + 2 * (RIM_MM + BENCH_MM) + 20,
    bench: BENCH,
    plates: [
      {
        ...{ id: 'paper', radiusMm: 0, lab: PAPER, shadowMm: 0.4 },
        box: [ox - RIM_MM, oy - RIM_MM, wide + 2 * RIM_MM, high + 2 * RIM_MM + 14],
      },
      ...marksOf(own).flatMap((mark, i): Plate[] => [
        { id: `dot-${i}`, ...dot(markAt(own, mark), own.dotMm), lab: INK },
        ...(mark.ring ? [{ id: `ring-${i}`, ...dot(markAt(own, mark), RING_INSIDE * own.dotMm), lab: PAPER }] : []),
      ]),
      // The bar by which the printer is checked, and a line of words.
      { id: 'bar', box: [ox, oy + high + 12, 100 * printed, 1], radiusMm: 0, lab: INK },
      ...Array.from({ length: STEPS + 1 }, (_, k) =>
        layer((part.thicknessMm * k) / STEPS, k === STEPS ? part.lab : wall, k),
      ).slice(flat ? STEPS : 0),
    ],
    regions: [{ id: 'part', plate: `part-${STEPS}`, box: [px, py, part.widthMm, part.heightMm] }],
    card: [],
  };
}

/** A phone held over a bench: how it sees the bench, and where it is. */
export interface Held {
  view: Homography;
  bend: NonNullable<Shot['pinhole']>['bend'];
  standing: Standing;
  /** As film of 35 mm has it. */
  focal35Mm: number;
}

/**
 * A phone as a seed has it held: over the sheet, a little aslant, turned, with the bend of its lens.
 *
 * @param reachMm how much of the bench has to be on the picture
 */
export function heldPhone(
  seed: number,
  { width, height }: { width: number; height: number },
  reach: { middle: Point; widthMm: number; heightMm: number },
  mostAslantDeg = 28,
): Held {
  const random = seededRandom(seed * 613 + 17);
  const between = (low: number, high: number) => low + (high - low) * random();
  const focal35Mm = between(22, 30);
  const f = (focal35Mm / Math.hypot(36, 24)) * Math.hypot(width, height);
  // Held so that the longer side of the sheet lies along the longer side of the picture.
  const upright = reach.heightMm > reach.widthMm === width > height ? 90 : 0;
  const [long, short] = upright === 90 ? [reach.heightMm, reach.widthMm] : [reach.widthMm, reach.heightMm];
  const far = Math.max((f * long) / width, (f * short) / height) * between(1.03, 1.25);
  const aslant = (between(0, mostAslantDeg) * Math.PI) / 180;
  const from = between(0, 2 * Math.PI);
  const roll = ((upright + between(-8, 8)) * Math.PI) / 180;
  const aim: Point = [reach.middle[0] + between(-8, 8), reach.middle[1] + between(-8, 8)];
  const distance = far / Math.cos(aslant) ** 1.5;
  const at = [
    aim[0] + distance * Math.sin(aslant) * Math.cos(from),
    aim[1] + distance * Math.sin(aslant) * Math.sin(from),
    distance * Math.cos(aslant),
  ] as const;
  // Looking from `at` to `aim`; x of the picture to the right, y down, as on the bench seen from above.
  const ahead = [aim[0] - at[0], aim[1] - at[1], -at[2]].map((v) => v / distance) as [number, number, number];
  const across = [Math.cos(roll), Math.sin(roll), 0] as const;
  const along = across[0] * ahead[0] + across[1] * ahead[1];
  const x = [across[0] - along * ahead[0], across[1] - along * ahead[1], -along * ahead[2]];
  const long3 = Math.hypot(...x);
  const right = x.map((v) => v / long3) as [number, number, number];
  // Depth, right and down are a left-handed bench (y down, z up): down is ahead × right turned over.
  const down = [
    -(ahead[1] * right[2] - ahead[2] * right[1]),
    -(ahead[2] * right[0] - ahead[0] * right[2]),
    -(ahead[0] * right[1] - ahead[1] * right[0]),
  ];
  const seen = ([mx, my]: Point): Point => {
    const d = [mx - at[0], my - at[1], -at[2]];
    const dot = (a: readonly number[]) => a[0]! * d[0]! + a[1]! * d[1]! + a[2]! * d[2]!;
    const z = dot(ahead);
    return [width / 2 - 0.5 + (f * dot(right)) / z, height / 2 - 0.5 + (f * dot(down)) / z];
  };
  const square: Point[] = [
    [0, 0],
    [200, 0],
    [200, 200],
    [0, 200],
  ];
  return {
    view: homographyThrough(square, square.map(seen)),
    bend: {
      ...{ a: between(-0.03, 0.06), b: between(-0.03, 0.03), c: between(-0.01, 0.01) },
      aslant: [between(-0.0008, 0.0008), between(-0.0008, 0.0008)],
    },
    standing: { foot: [at[0], at[1]], heightMm: at[2] },
    focal35Mm,
  };
}

/** The middle of a sheet in its scene, and how much of the bench a picture of it shows. */
export function reachOf(sheet: MarkSheet): { middle: Point; widthMm: number; heightMm: number } {
  const [wide, high] = [(sheet.columns - 1) * sheet.pitchMm, (sheet.rows - 1) * sheet.pitchMm];
  return {
    middle: [FIRST_DOT[0] + wide / 2, FIRST_DOT[1] + high / 2],
    widthMm: wide + 2 * RIM_MM,
    heightMm: high + 2 * RIM_MM + 10,
  };
}

/** A place well inside of the clear place for a part of a size, mm from the first dot. */
export function placeFor(sheet: MarkSheet, part: { widthMm: number; heightMm: number }, random: () => number): Point {
  const { leftMm, topMm, widthMm, heightMm } = clearPlace(sheet);
  const free = (from: number, space: number, size: number) => from + 4 + Math.max(0, space - size - 8) * random();
  return [free(leftMm, widthMm, part.widthMm), free(topMm, heightMm, part.heightMm)];
}

/** Where a place of the bench lies on the picture, with the bend of the lens. */
export function seenAt({ view, bend }: Held, { width, height }: { width: number; height: number }, at: Point): Point {
  const [sx, sy] = project(view, at);
  const s = Math.hypot(width, height) / 2;
  const [tu, tv] = [(sx + 0.5 - width / 2) / s, (sy + 0.5 - height / 2) / s];
  let [u, v] = [tu, tv];
  for (let step = 0; step < 12; step++) {
    const r2 = u * u + v * v;
    const grown = 1 + r2 * (bend.a + r2 * (bend.b + r2 * bend.c));
    const [p, q] = bend.aslant;
    [u, v] = [(tu - 2 * p * u * v - q * (r2 + 2 * u * u)) / grown, (tv - p * (r2 + 2 * v * v) - 2 * q * u * v) / grown];
  }
  return [width / 2 + s * u, height / 2 + s * v];
}
