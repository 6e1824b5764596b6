import { EigenvalueDecomposition, Matrix, inverse, solve } from 'ml-matrix';
import { median } from '../../numbers';
import { fourCorners } from '../../picture/corners';
import { homographyThrough, project } from '../../picture/homography';
import type { Picture, Point } from '../../picture/picture';
import { Refusal } from '../../refusal';
import { blobsOf, type Blob } from './blobs';
import { sheetAmong, type SeenMark } from './lattice';
import {
  asFocus,
  bent,
  cameraOver,
  focusBefore,
  focusOf,
  printedLarger,
  together,
  unbent,
  type Frame,
  type GroundPlane,
  type PlaneLook,
} from './plane';
import { markAt, marksOf, MARK_SHEETS, type MarkSheet } from './sheet';

/** The sheet of marks as it lies on a picture. */
export interface FoundMarks {
  sheet: MarkSheet;
  /** Share of its dots that were. */
  share: number;
  /** How far they lie off where they should, mm, one standard deviation. */
  offMm: number;
  plane: GroundPlane;
}

/** The projection to mm (its ninth number is 1) and two numbers of the lens. */
type Fit = readonly number[];
const lensOf = (fit: Fit) => ({ a: fit[8]!, b: fit[9]! });
const planeOf = (fit: Fit) => [...fit.slice(0, 8), 1];
const placed = (frame: Frame, fit: Fit, px: Point): Point => project(planeOf(fit), unbent(frame, lensOf(fit), px));

/** Lenses of phones bend by less than this: what dots say beyond it is noise. */
const BEND_SD = [0.15, 0.15] as const;
/** Dots have to spread over this share of the sheet both ways, and be so many. */
const LEAST_SPREAD = 0.45;
const LEAST_DOTS = 24;
const ROUNDS = 8;
/** Dots farther off than so many times the middle one are something else. */
const OUTLIER = 5;
/** No printer and no paper is better, mm. */
const LEAST_OFF_MM = 0.02;

function residuals(frame: Frame, sheet: MarkSheet, marks: readonly SeenMark[], fit: Fit): number[] {
  return marks.flatMap(({ mark, at }) => {
    const [x, y] = placed(frame, fit, at);
    const [mx, my] = markAt(sheet, mark);
    return [x - mx, y - my];
  });
}

/** Steps of Gauss and Newton; numbers of the lens are held near none. */
function fitted(frame: Frame, sheet: MarkSheet, marks: readonly SeenMark[], begin: Fit, offMm: number) {
  let fit = [...begin];
  let normal = Matrix.eye(fit.length);
  for (let round = 0; round < ROUNDS; round++) {
    const is = residuals(frame, sheet, marks, fit);
    const columns = fit.map((value, k) => {
      const step = 1e-5 * Math.max(0.1, Math.abs(value));
      const next = fit.map((other, i) => (i === k ? other + step : other));
      return residuals(frame, sheet, marks, next).map((r, i) => (r - is[i]!) / step);
    });
    const jacobian = new Matrix(columns).transpose();
    normal = jacobian.transpose().mmul(jacobian);
    const toward = jacobian.transpose().mmul(Matrix.columnVector(is));
    BEND_SD.forEach((sd, i) => {
      const pull = offMm ** 2 / sd ** 2;
      normal.set(8 + i, 8 + i, normal.get(8 + i, 8 + i) + pull);
      toward.set(8 + i, 0, toward.get(8 + i, 0) + pull * fit[8 + i]!);
    });
    const step = solve(normal, toward).to1DArray();
    fit = fit.map((value, i) => value - step[i]!);
  }
  return { fit, normal };
}

/** Dots where a fit expects them, of the kind that it expects. */
function expected(frame: Frame, sheet: MarkSheet, blobs: readonly Blob[], fit: Fit): SeenMark[] {
  const back = inverse(
    new Matrix([fit.slice(0, 3), fit.slice(3, 6), [...fit.slice(6, 8), 1]] as number[][]),
  ).to1DArray();
  return marksOf(sheet).flatMap((mark): SeenMark[] => {
    const [x, y] = bent(frame, lensOf(fit), project(back, markAt(sheet, mark)));
    const near = blobs.find(
      ({ at, radiusPx, ring }) => ring === mark.ring && Math.hypot(at[0] - x, at[1] - y) < 0.6 * radiusPx,
    );
    return near ? [{ mark, at: near.at }] : [];
  });
}

/**
 * The sheet of marks on a photograph, and by it the ground in mm without the bend of the lens.
 *
 * @param barMm what the bar of 100 mm on the printed sheet measures
 * @param focal35Mm of the picture as it notes it itself
 * @returns `null` where there is none
 * @throws Refusal where too little of it is seen
 */
export function findMarks(
  picture: Picture,
  { barMm = 100, focal35Mm }: { barMm?: number | undefined; focal35Mm?: number | undefined } = {},
): FoundMarks | null {
  const blobs = blobsOf(picture);
  const among = sheetAmong(blobs, MARK_SHEETS);
  if (!among) return null;
  const printed = barMm / 100;
  const sheet = { ...among.sheet, pitchMm: among.sheet.pitchMm * printed, dotMm: among.sheet.dotMm * printed };
  const places = among.marks.map(({ mark }) => markAt(sheet, mark));
  const spread = (axis: 0 | 1, whole: number) =>
    (Math.max(...places.map((place) => place[axis])) - Math.min(...places.map((place) => place[axis]))) / whole;
  if (
    among.marks.length < LEAST_DOTS ||
    spread(0, (sheet.columns - 1) * sheet.pitchMm) < LEAST_SPREAD ||
    spread(1, (sheet.rows - 1) * sheet.pitchMm) < LEAST_SPREAD
  )
    throw new Refusal(
      'photo',
      'Too little of the sheet of marks is seen. Photograph all four sides of it, with nothing lying on its dots.',
    );
  const frame = { width: picture.width, height: picture.height };
  const corners = fourCorners(places);
  const begin = homographyThrough(
    corners.map((corner) => unbent(frame, { a: 0, b: 0 }, among.marks[places.indexOf(corner)]!.at)),
    corners,
  );
  let marks: readonly SeenMark[] = among.marks;
  let { fit, normal } = fitted(frame, sheet, marks, [...begin.slice(0, 8), 0, 0], 0.1);
  // What the first lattice did not reach is looked for where it should be; what is far off is left out.
  for (const round of [0, 1]) {
    const all = expected(frame, sheet, blobs, fit);
    const off = (mark: SeenMark) => Math.hypot(...(residuals(frame, sheet, [mark], fit) as [number, number]));
    const most = OUTLIER * Math.max(LEAST_OFF_MM, median(all.map(off)) ?? 0);
    const good = all.filter((mark) => round === 0 || off(mark) < most);
    if (good.length < LEAST_DOTS) break;
    marks = good;
    const left = residuals(frame, sheet, marks, fit);
    const sd = Math.sqrt(left.reduce((sum, r) => sum + r * r, 0) / left.length);
    ({ fit, normal } = fitted(frame, sheet, marks, fit, Math.max(LEAST_OFF_MM, sd)));
  }
  const left = residuals(frame, sheet, marks, fit);
  const offMm = Math.max(
    LEAST_OFF_MM,
    Math.sqrt(left.reduce((sum, r) => sum + r * r, 0) / Math.max(1, left.length - fit.length)),
  );
  return {
    sheet,
    share: marks.length / marksOf(sheet).length,
    offMm,
    plane: planeBy(frame, fit, normal, offMm, focal35Mm),
  };
}

/** The ground by its fit, with what each thing that was fitted may be off by. */
function planeBy(frame: Frame, fit: Fit, normal: Matrix, offMm: number, focal35Mm: number | undefined): GroundPlane {
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(inverse(normal).mul(offMm ** 2), {
    assumeSymmetric: true,
  });
  const moved = realEigenvalues.map((variance, k) => {
    const sd = Math.sqrt(Math.max(0, variance));
    return fit.map((value, i) => value + sd * eigenvectorMatrix.get(i, k));
  });
  const seen = focusOf(planeOf(fit));
  const seenSd = Math.sqrt(moved.reduce((sum, other) => sum + (focusOf(planeOf(other)).w - seen.w) ** 2, 0));
  const before = focusBefore(focal35Mm);
  const focus = seen.weight > 1e-8 && seenSd > 0 ? together(before, { w: seen.w, sd: seenSd }) : before;
  const look = (by: Fit, w: number): PlaneLook => ({
    toMm: (px) => placed(frame, by, px),
    camera: cameraOver(planeOf(by), asFocus(w)),
  });
  const is = look(fit, focus.w);
  return {
    ...is,
    variants: [...moved.map((other) => look(other, focus.w)), look(fit, focus.w + focus.sd), printedLarger(is)],
  };
}
