import { median } from '../numbers';
import { Matrix, solve } from 'ml-matrix';
import { differenceTo, LINEAR_OF_CODE, writeLab } from '../colour/bulk';
import type { Correction } from './correction';
import type { Corners } from './corners';
import { homographyThrough, project, UNIT_SQUARE } from './homography';
import type { Picture, Point } from './picture';
import { polygonRuns } from './polygon';
import type { LinearRgb } from '../colour/types';

/** A face on its own plane, in cells: light with the card's correction, red, green and blue of each cell. */
export interface FacePlane {
  columns: number;
  rows: number;
  light: Float32Array;
}

/** Readings along each side of a cell. */
const PER_CELL = 4;

/** Width to height of a face as its picture shows it: the means of its opposite edges. */
export function shapeOf([a, b, c, d]: Corners): number {
  const side = (p: readonly [number, number], q: readonly [number, number]) => Math.hypot(p[0] - q[0], p[1] - q[1]);
  return (side(a, b) + side(d, c)) / Math.max(1e-9, side(a, d) + side(b, c));
}

/**
 * Takes a face out of its picture: perspective and the colour of the light undone, at a resolution of its own, so that
 * the pictures of every session lie cell on cell.
 *
 * @param columns cells across; rows follow from `shape`, width to height
 */
export function onPlane(
  { data, width, height }: Picture,
  corners: Corners,
  { matrix, offset }: Correction,
  columns: number,
  shape: number,
): FacePlane {
  const rows = Math.max(1, Math.round(columns / shape));
  const h = homographyThrough(
    [
      [0, 0],
      [columns, 0],
      [columns, rows],
      [0, rows],
    ],
    corners,
  );
  const light = new Float32Array(3 * columns * rows);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      let [r, g, b] = [0, 0, 0];
      for (let j = 0; j < PER_CELL; j++)
        for (let i = 0; i < PER_CELL; i++) {
          const [u, v] = [column + (i + 0.5) / PER_CELL, row + (j + 0.5) / PER_CELL];
          const w = h[6]! * u + h[7]! * v + h[8]!;
          const x = Math.min(width - 1, Math.max(0, Math.floor((h[0]! * u + h[1]! * v + h[2]!) / w)));
          const y = Math.min(height - 1, Math.max(0, Math.floor((h[3]! * u + h[4]! * v + h[5]!) / w)));
          const p = 4 * (y * width + x);
          r += LINEAR_OF_CODE[data[p]!]!;
          g += LINEAR_OF_CODE[data[p + 1]!]!;
          b += LINEAR_OF_CODE[data[p + 2]!]!;
        }
      const share = 1 / (PER_CELL * PER_CELL);
      const at = 3 * (row * columns + column);
      for (let k = 0; k < 3; k++)
        light[at + k] = share * (matrix[3 * k]! * r + matrix[3 * k + 1]! * g + matrix[3 * k + 2]! * b) + offset[k]!;
    }
  return { columns, rows, light };
}

/** Mean light of a region with the card's correction: of the hidden patch, which no session changes. */
export function regionLight(
  { data, width, height }: Picture,
  polygon: readonly Point[],
  { matrix, offset }: Correction,
): LinearRgb {
  const { triples, pixelCount } = polygonRuns(polygon, width, height);
  let [r, g, b] = [0, 0, 0];
  for (let t = 0; t < triples.length; t += 3)
    for (let x = triples[t + 1]!; x < triples[t + 2]!; x++) {
      const p = 4 * (triples[t]! * width + x);
      r += LINEAR_OF_CODE[data[p]!]!;
      g += LINEAR_OF_CODE[data[p + 1]!]!;
      b += LINEAR_OF_CODE[data[p + 2]!]!;
    }
  const of = (k: number) =>
    (matrix[3 * k]! * r + matrix[3 * k + 1]! * g + matrix[3 * k + 2]! * b) / pixelCount + offset[k]!;
  return [of(0), of(1), of(2)];
}

/** A patch that no session changes. */
interface HiddenPatch {
  /** Its light in both pictures. */
  first: LinearRgb;
  later: LinearRgb;
  /** Its middle on the face's plane: 0 to 1 across and down, or outside of it. */
  at: Point;
}

/** Where the middle of an outline lies on a face's plane, 0 to 1 across and down. */
export function placeOnPlane(corners: Corners, outline: readonly Point[]): Point {
  const mean = (axis: 0 | 1) => outline.reduce((sum, point) => sum + point[axis], 0) / outline.length;
  return project(homographyThrough(corners, UNIT_SQUARE), [mean(0), mean(1)]);
}

export interface Change {
  columns: number;
  rows: number;
  /** ΔE00 of each cell between the two; `NaN` for edges, print and gaps, which say nothing of the shell. */
  deltaE: Float32Array;
  /** b* of each cell, before and after. */
  before: Float32Array;
  after: Float32Array;
}

const brightness = (light: Float32Array, cell: number) =>
  0.2126 * light[3 * cell]! + 0.7152 * light[3 * cell + 1]! + 0.0722 * light[3 * cell + 2]!;

/** Slope of the light of one picture against another, across and down: what a lamp does, not what peroxide does. */
function lightSlope(first: FacePlane, later: FacePlane, detail: Uint8Array): { across: number; down: number } {
  const { columns, rows } = first;
  const cells: number[] = [];
  for (let cell = 0; cell < columns * rows; cell += Math.max(1, Math.floor((columns * rows) / 4000)))
    if (!detail[cell] && brightness(first.light, cell) > 0.02 && brightness(later.light, cell) > 0.02) cells.push(cell);
  const ratio = (cell: number) => Math.log(brightness(later.light, cell) / brightness(first.light, cell));
  const middle = median(cells.map(ratio)) ?? 0;
  // Cells that changed by far more than a lamp does (a badge gone, a crack) do not bend the plane.
  const used = cells.filter((cell) => Math.abs(ratio(cell) - middle) < 0.2);
  if (used.length < 30) return { across: 0, down: 0 };
  const rowsOf = used.map((cell) => [1, (cell % columns) / columns - 0.5, Math.floor(cell / columns) / rows - 0.5]);
  const [, across, down] = solve(new Matrix(rowsOf), Matrix.columnVector(used.map(ratio)), true).to1DArray();
  return { across: across!, down: down! };
}

/**
 * What changed on a face between two pictures of it on the same plane. The light's slope between them, the same for all
 * colours, is taken out first; its level is the card's business, and the hidden patch's where both pictures show it:
 * that never changes, so what a lamp leaves after the card is seen on it.
 *
 * @param hidden the hidden patch in both
 */
export function changeBetween(first: FacePlane, later: FacePlane, hidden?: HiddenPatch): Change {
  const { columns, rows } = first;
  const size = columns * rows;
  const detail = detailOf([first, later]);
  const { across, down } = lightSlope(first, later, detail);
  const evenAt = (u: number, v: number) => Math.exp(-across * (u - 0.5) - down * (v - 0.5));
  // The patch lies at one end of the slope: what the slope did to it there is no matter of the level.
  const atPatch = hidden ? evenAt(...hidden.at) : 1;
  const gain = [0, 1, 2].map((k) => (hidden ? hidden.first[k]! / Math.max(1e-6, atPatch * hidden.later[k]!) : 1));
  const matched = new Float32Array(3 * size);
  for (let cell = 0; cell < size; cell++) {
    const even = evenAt((cell % columns) / columns, Math.floor(cell / columns) / rows);
    for (let k = 0; k < 3; k++) matched[3 * cell + k] = even * gain[k]! * later.light[3 * cell + k]!;
  }
  const [a, b] = [calmed(first, detail), calmed({ ...later, light: matched }, detail)];
  const [deltaE, before, after] = [new Float32Array(size), new Float32Array(size), new Float32Array(size)];
  const lab = new Float32Array(6);
  for (let cell = 0; cell < size; cell++) {
    const at = 3 * cell;
    writeLab(a[at]!, a[at + 1]!, a[at + 2]!, lab, 0);
    writeLab(b[at]!, b[at + 1]!, b[at + 2]!, lab, 3);
    deltaE[cell] = detail[cell] ? NaN : differenceTo([lab[0]!, lab[1]!, lab[2]!])(lab[3]!, lab[4]!, lab[5]!);
    before[cell] = lab[2]!;
    after[cell] = lab[5]!;
  }
  return { columns, rows, deltaE, before, after };
}

/** Cells on every side over which the sensor's noise is averaged out. */
const CALM_CELLS = 3;

/** Sums of each value and its neighbours within reach: along the rows, then down the columns. */
function boxSums(values: Float64Array, columns: number, rows: number): Float64Array {
  const run = (from: Float64Array, length: number, lines: number, step: number, line: number) => {
    const to = new Float64Array(from.length);
    for (let l = 0; l < lines; l++) {
      let sum = 0;
      for (let i = 0; i < Math.min(CALM_CELLS, length); i++) sum += from[l * line + i * step]!;
      for (let i = 0; i < length; i++) {
        if (i + CALM_CELLS < length) sum += from[l * line + (i + CALM_CELLS) * step]!;
        if (i > CALM_CELLS) sum -= from[l * line + (i - CALM_CELLS - 1) * step]!;
        to[l * line + i * step] = sum;
      }
    }
    return to;
  };
  return run(run(values, columns, rows, 1, columns), rows, columns, columns, 1);
}

/** The light of a face without its noise: means of the plain cells around; edges take no part. */
export function calmed({ columns, rows, light }: FacePlane, detail: Uint8Array): Float32Array {
  const size = columns * rows;
  const out = light.slice();
  const counts = boxSums(
    Float64Array.from(detail, (edge) => 1 - edge),
    columns,
    rows,
  );
  for (let k = 0; k < 3; k++) {
    const plain = new Float64Array(size);
    for (let cell = 0; cell < size; cell++) plain[cell] = detail[cell] ? 0 : light[3 * cell + k]!;
    const sums = boxSums(plain, columns, rows);
    for (let cell = 0; cell < size; cell++) if (!detail[cell]) out[3 * cell + k] = sums[cell]! / counts[cell]!;
  }
  return out;
}

/** Brightness that differs by more than this from a neighbour's is an edge, not a shade. */
const EDGE_SHARE = 0.08;

/**
 * Cells at edges, gaps and print, in any of the pictures, and their neighbours: a hair's breadth of misfit shows there.
 *
 * @param edgeShare a step of brightness to a neighbour that is an edge
 */
export function detailOf(planes: readonly FacePlane[], edgeShare: number = EDGE_SHARE): Uint8Array {
  const { columns, rows } = planes[0]!;
  const detail = new Uint8Array(columns * rows);
  for (const { light } of planes) {
    const bright = Float32Array.from({ length: columns * rows }, (_, cell) => brightness(light, cell));
    for (let cell = 0; cell < columns * rows; cell++) {
      const [column, row, here] = [cell % columns, Math.floor(cell / columns), bright[cell]!];
      const least = edgeShare * Math.max(here, 0.02);
      const edge =
        (column + 1 < columns && Math.abs(bright[cell + 1]! - here) > least) ||
        (row + 1 < rows && Math.abs(bright[cell + columns]! - here) > least);
      if (!edge) continue;
      for (let r = Math.max(0, row - 1); r <= Math.min(rows - 1, row + 2); r++)
        for (let c = Math.max(0, column - 1); c <= Math.min(columns - 1, column + 2); c++) detail[r * columns + c] = 1;
    }
  }
  // The rim of the face itself.
  for (let cell = 0; cell < columns * rows; cell++) {
    const [column, row] = [cell % columns, Math.floor(cell / columns)];
    if (column < 2 || row < 2 || column >= columns - 2 || row >= rows - 2) detail[cell] = 1;
  }
  return detail;
}

/** How much of two changes is the same face: the correlation of their brightness, −1 to 1. */
export function likeness(first: FacePlane, later: FacePlane): number {
  const size = first.columns * first.rows;
  const mean = (plane: FacePlane) => {
    let sum = 0;
    for (let cell = 0; cell < size; cell++) sum += brightness(plane.light, cell);
    return sum / size;
  };
  const [ma, mb] = [mean(first), mean(later)];
  let [ab, aa, bb] = [0, 0, 0];
  for (let cell = 0; cell < size; cell++) {
    const [a, b] = [brightness(first.light, cell) - ma, brightness(later.light, cell) - mb];
    ab += a * b;
    aa += a * a;
    bb += b * b;
  }
  return ab / Math.max(1e-12, Math.sqrt(aa * bb));
}
