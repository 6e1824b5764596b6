import { darkAround, reduced, type Reduced } from './darkAround';
import { Matrix, solve } from 'ml-matrix';
import { codeOfLinear } from '../colour/bulk';
import { srgbToLab } from '../colour/lab';
import type { LinearRgb, Srgb } from '../colour/types';
import { Refusal } from '../refusal';
import { correct, fitCorrection } from './correction';
import { heldTogether } from './flood';
import { homographyThrough, project, type Homography } from './homography';
import { DOT_Y, GREY_SHEET, greyBoxes, SQUARE, type FoundSheet, type SheetGreys } from './greySheetPlan';
import { readPatch } from './patches';
import type { Picture, Point, Rect } from './picture';
import { contains, rectPolygon } from './polygon';
import type { CardPatch } from './spec';

const middleOf = ([x, y, w, h]: Rect): Point => [x + w / 2, y + h / 2];

/** Larger pictures are looked over at this width. */
const LOOKED_AT_PX = 1200;
/** Dark is less than this share of what is round it. */
const DARK_SHARE = 0.42;
/** A frame of fewer pixels round is too small to read. */
const LEAST_LENGTH_PX = 60;
/** Light on one sheet differs by no more than this. */
const LIGHT_ON_SHEET = 2.5;
/** The frame is darker than this share of its paper. */
const BLACK = 0.3;
/** Each grey is so much darker than the one before. */
const STEP_DOWN = 1.12;
/** A grey is one colour: standard deviation as a share of its mean, and of the paper's for the grain of the darkest. */
const PLAIN = 0.14;
const GRAIN = 0.008;
/** Longest side to shortest of a sheet as it may be seen; it is three to one. */
const ASPECT = [1.5, 6] as const;

const far = (points: readonly Point[], from: Point): Point =>
  points.reduce((best, p) =>
    Math.hypot(p[0] - from[0], p[1] - from[1]) > Math.hypot(best[0] - from[0], best[1] - from[1]) ? p : best,
  );

/** Four corners of a frame, whichever way it is turned: its longest diagonal, and what lies farthest on either side of it. */
function frameCorners(points: readonly Point[]): [Point, Point, Point, Point] {
  const a = far(points, far(points, points[0]!));
  const c = far(points, a);
  const side = ([x, y]: Point) => (c[0] - a[0]) * (y - a[1]) - (c[1] - a[1]) * (x - a[0]);
  const b = points.reduce((best, p) => (side(p) < side(best) ? p : best));
  const d = points.reduce((best, p) => (side(p) > side(best) ? p : best));
  // Clockwise on the screen.
  return [a, b, c, d];
}

const { widthMm, heightMm, frameMm } = GREY_SHEET;
const OUTSIDE: readonly Point[] = [
  [0, 0],
  [widthMm, 0],
  [widthMm, heightMm],
  [0, heightMm],
];

/** Places on the black frame, on the paper above, between and below the greys, mm. */
const FRAME_PLACES: readonly Point[] = Array.from({ length: 24 }, (_, i): Point[] => {
  const [along, half] = [(i + 0.5) / 24, frameMm / 2];
  return [
    [along * widthMm, half],
    [along * widthMm, heightMm - half],
    ...(i % 2 === 0
      ? ([
          [half, along * heightMm],
          [widthMm - half, along * heightMm],
        ] as Point[])
      : []),
  ];
}).flat();
const PAPER_PLACES: readonly Point[] = [
  ...Array.from({ length: greyBoxes.length + 1 }, (_, i): Point => [
    i === 0 ? 9 : i === greyBoxes.length ? widthMm - 9 : greyBoxes[i]![0] - SQUARE.gap / 2,
    SQUARE.top + SQUARE.height / 2,
  ]),
  ...greyBoxes.map(([x, , w]): Point => [x + w / 2, 8.5]),
];

/** Mean and share of scatter over a small square round a place, mm. */
function sampled(
  { light, width, height }: Reduced,
  plane: Homography,
  [x, y]: Point,
  half: number,
  n: number,
): { mean: number; scatter: number } | null {
  let [sum, square, count] = [0, 0, 0];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      const step = (k: number) => (n === 1 ? 0 : half * ((2 * k) / (n - 1) - 1));
      const [px, py] = project(plane, [x + step(i), y + step(j)]);
      const [ix, iy] = [Math.floor(px), Math.floor(py)];
      if (!(ix >= 0 && iy >= 0 && ix < width && iy < height)) return null;
      const value = light[iy * width + ix]!;
      sum += value;
      square += value * value;
      count++;
    }
  const mean = sum / count;
  return { mean, scatter: Math.sqrt(Math.max(0, square / count - mean * mean)) / Math.max(1e-6, mean) };
}

/** Whether the corners are a sheet's, in the order that they are given. */
function readSheet(small: Reduced, corners: readonly Point[]): { number: number; plane: Homography } | null {
  const plane = homographyThrough(OUTSIDE, corners);
  const paper = PAPER_PLACES.map((place) => sampled(small, plane, place, 0.8, 2));
  if (paper.some((one) => one === null)) return null;
  const whites = paper.map((one) => one!.mean);
  const [least, most] = [Math.min(...whites), Math.max(...whites)];
  if (least < 0.02 || most > LIGHT_ON_SHEET * least) return null;
  const mean = whites.reduce((a, b) => a + b, 0) / whites.length;
  const black = FRAME_PLACES.filter((place) => {
    const one = sampled(small, plane, place, 0.8, 2);
    return one !== null && one.mean < BLACK * mean;
  });
  if (black.length < 0.9 * FRAME_PLACES.length) return null;
  const greys = greyBoxes.map(([x, y, w, h], i) => {
    const one = sampled(small, plane, [x + w / 2, y + h / 2], 0.3 * Math.min(w, h), 6);
    // Against the paper on both sides of it: the light falls off along the sheet.
    return one && { ...one, share: one.mean / ((whites[i]! + whites[i + 1]!) / 2) };
  });
  if (
    greys.some(
      (grey) => grey === null || grey.scatter * grey.mean > PLAIN * grey.mean + GRAIN * mean || grey.share > 0.98,
    )
  )
    return null;
  for (let i = 1; i < greys.length; i++) if (greys[i - 1]!.share < STEP_DOWN * greys[i]!.share) return null;
  const number = greyBoxes.reduce((sum, [x, , w], i) => {
    const dot = sampled(small, plane, [x + w / 2, DOT_Y], 0.6, 2)!;
    return sum + (dot.mean < 0.62 * whites[greyBoxes.length + 1 + i]! ? 2 ** i : 0);
  }, 0);
  return number > 0 ? { number, plane } : null;
}

/** Rim of a grey that is left out. */
const INSIDE = 0.85;

/** An upright box in the middle of a projected square that lies within it whichever way it is turned. */
function boxIn(plane: Homography, box: Rect, by: number): Rect {
  const corners = rectPolygon(box).map((corner) => project(plane, corner));
  const [cx, cy] = project(plane, middleOf(box));
  const toEdge = Math.min(
    ...corners.map(([ax, ay], i) => {
      const [bx, by] = corners[(i + 1) % 4]!;
      return Math.abs((bx - ax) * (cy - ay) - (by - ay) * (cx - ax)) / Math.hypot(bx - ax, by - ay);
    }),
  );
  const half = INSIDE * Math.SQRT1_2 * toEdge * by;
  return [cx * by - half, cy * by - half, 2 * half, 2 * half];
}

/** The sheet of greys in a picture, whichever way it lies; `null` where there is none, or it is too small or half hidden. */
export function findGreySheet(picture: Picture): FoundSheet | null {
  const small = reduced(picture, Math.max(1, Math.round(picture.width / LOOKED_AT_PX)));
  const { width, height, by } = small;
  const parts = heldTogether(darkAround(small, Math.max(6, Math.round(small.width / 28)), DARK_SHARE), width, height)
    .filter((part) => part.length > LEAST_LENGTH_PX)
    .sort((a, b) => b.length - a.length)
    .slice(0, 24);
  for (const part of parts) {
    const round = frameCorners(part.map((cell): Point => [(cell % width) + 0.5, Math.floor(cell / width) + 0.5]));
    const sides = round.map((p, i) => {
      const next = round[(i + 1) % 4]!;
      return Math.hypot(next[0] - p[0], next[1] - p[1]);
    });
    const [one, other] = [sides[0]! + sides[2]!, sides[1]! + sides[3]!];
    const aspect = Math.max(one, other) / Math.max(1, Math.min(one, other));
    if (Math.max(one, other) < 2 * LEAST_LENGTH_PX || aspect < ASPECT[0] || aspect > ASPECT[1]) continue;
    const first = one > other ? 0 : 1;
    for (const from of [first, first + 2]) {
      const corners = [0, 1, 2, 3].map((i) => round[(from + i) % 4]!) as unknown as FoundSheet['corners'];
      const read = readSheet(small, corners);
      if (!read) continue;
      return {
        number: read.number,
        corners: corners.map(([x, y]): Point => [x * by, y * by]) as unknown as FoundSheet['corners'],
        greys: greyBoxes.map((box) => boxIn(read.plane, box, by)),
      };
    }
  }
  return null;
}

/** A grey is told by a card's patches that are no farther from it in L* than this: what lies beyond, a camera's curve bends. */
const TOLD_WITHIN_L = 16;

/**
 * The colours of a sheet's greys, from one photograph of it beside a card whose colours are known. The sheet's own paper
 * shows how the light falls between them; it is taken out.
 *
 * @throws Refusal where no sheet, or nothing of the card can be read
 */
export function calibrateSheet(
  picture: Picture,
  card: readonly CardPatch[],
): { number: number; corners: FoundSheet['corners']; greys: SheetGreys } {
  const known = card.filter(({ kind }) => kind === 'known');
  if (known.length === 0)
    throw new Refusal(
      'card',
      'Put a frame on the card whose colour you know; without it nothing says what the greys are.',
    );
  const sheet = findGreySheet(picture);
  if (!sheet)
    throw new Refusal(
      'sheet',
      'No sheet of greys is found in this picture. Show all of it with its white rim, flat, in even light and large enough.',
    );
  const inside = known.findIndex(({ rect }) => contains(sheet.corners, middleOf(rect)));
  if (inside >= 0)
    throw new Refusal(
      `card[${inside}].rect`,
      'The frame lies on the sheet itself. Put it on the other card, whose colour is known.',
    );
  if (sheet.greys[0]![2] < LEAST_GREY_PX)
    throw new Refusal(
      'sheet',
      'The sheet is too small in this picture. Go nearer: only it and the card need to be seen.',
    );
  const light = paperLight(picture, sheet);
  const evened = (rect: Rect, field: string): LinearRgb => {
    const there = light(middleOf(rect));
    return readPatch(picture, rect, field).mean.map((v, c) => v / there[c]!) as unknown as LinearRgb;
  };
  const correction = fitCorrection(known.map(({ rect, srgb }, i) => ({ srgb, measured: evened(rect, `card[${i}]`) })));
  const lightnesses = known.map(({ srgb }) => srgbToLab(srgb)[0]);
  const greys = sheet.greys.map((rect, i): Srgb | null => {
    const srgb = correct(correction, evened(rect, `greys[${i}]`)).map((v) =>
      Math.min(255, Math.max(0, codeOfLinear(v))),
    ) as unknown as Srgb;
    const [l] = srgbToLab(srgb);
    const [low, high] = [Math.min(...lightnesses), Math.max(...lightnesses)];
    return l > low - TOLD_WITHIN_L && l < high + TOLD_WITHIN_L ? srgb : null;
  });
  if (greys.every((grey) => grey === null))
    throw new Refusal('card', 'The card is too far in lightness from every grey of the sheet. Use a grey card.');
  return { number: sheet.number, corners: sheet.corners, greys };
}

/** A grey read from fewer pixels across is half the rim's. */
const LEAST_GREY_PX = 22;
/** Paper whose light changes by more along the sheet says that a lamp stands too near. */
const MOST_ON_PAPER = 1.25;

/** How the light falls on and near a sheet, by its paper: a slope of each channel's logarithm, 1 in the sheet's middle. */
function paperLight(picture: Picture, { corners }: FoundSheet): (at: Point) => LinearRgb {
  const plane = homographyThrough(OUTSIDE, corners);
  const places = PAPER_PLACES.map((place) => project(plane, place));
  const [cx, cy] = [0, 1].map((k) => corners.reduce((sum, p) => sum + p[k as 0 | 1] / 4, 0)) as [number, number];
  const scale = Math.hypot(corners[2][0] - corners[0][0], corners[2][1] - corners[0][1]);
  const half = Math.max(2, Math.round(scale / 250));
  const readings = places.map(([x, y]) => {
    try {
      return readPatch(picture, [x - half, y - half, 2 * half + 1, 2 * half + 1], 'sheet').mean;
    } catch {
      throw new Refusal(
        'sheet',
        'The white paper of the sheet is burnt out or black in this picture. Take it again a stop darker, without glare.',
      );
    }
  });
  const greens = readings.map(([, green]) => green);
  if (Math.max(...greens) > MOST_ON_PAPER * Math.min(...greens))
    throw new Refusal(
      'sheet',
      'The light changes by more than a quarter along the sheet. Take it again in daylight without sun, nothing casting a shadow on it.',
    );
  const rows = new Matrix(places.map(([x, y]) => [1, (x - cx) / scale, (y - cy) / scale]));
  const slopes = [0, 1, 2].map((c) =>
    solve(rows, Matrix.columnVector(readings.map((rgb) => Math.log(Math.max(1e-4, rgb[c]!)))), true).to1DArray(),
  );
  return ([x, y]) =>
    slopes.map(([, sx, sy]) => Math.exp((sx! * (x - cx)) / scale + (sy! * (y - cy)) / scale)) as unknown as LinearRgb;
}
