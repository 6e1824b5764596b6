import { Matrix, solve } from 'ml-matrix';
import { LINEAR_OF_CODE } from '../colour/bulk';
import { labToLinear, linearToLab } from '../colour/lab';
import type { Lab, LinearRgb } from '../colour/types';
import { median } from '../numbers';
import type { CellMap } from './cells';
import type { Picture, Point, Rect } from './picture';
import { contains, rectPolygon } from './polygon';

/**
 * How the light falls, as the bench round the piece shows it: one plain thing under all of it. A piece that is yellower
 * on one side and a lamp that is warmer there look alike on the piece; on the bench they do not.
 */
export interface BenchLight {
  /** Light at a place against that in the middle of the picture, for red, green and blue. */
  at(x: number, y: number): LinearRgb;
  /** What the bench differs by from that, robust standard deviation as a share: of the light, and of its blue against its green. */
  offShare: number;
  offBlue: number;
  /** By how much the light changes across the picture, as a share. */
  changeShare: number;
}

const ACROSS = 48;
/** Rings of cells along the rim that say what the bench is. */
const RIM = 2;
/** A cell that is not of one colour is no bench: linear, as a share. */
const PLAIN_SHARE = 0.15;
/** What is the same thing under another light: logarithms of its level and of its colour. */
const SAME_LEVEL = 0.8;
const SAME_COLOUR = 0.3;
/** Fewer cells say nothing of the light. */
const ENOUGH_CELLS = 80;
/** Less of the rim than this, and it is not one bench all round. */
const ENOUGH_RIM = 0.5;
/** Worse than this, and what lies round the piece is not plain. */
const MOST_OFF = 0.08;
const PASSES = 6;

interface Cell {
  x: number;
  y: number;
  rim: boolean;
  /** Logarithms of green, of red against green and of blue against green. */
  values: readonly [number, number, number];
}

/** Cells down a picture, as high as they are wide. */
const rowsOf = ({ width, height }: Pick<Picture, 'width' | 'height'>) =>
  Math.max(8, Math.round((ACROSS * height) / width));

/** Cells are small: their corners and middle tell what they meet. */
const cellPoints = (rect: Rect): Point[] => [...rectPolygon(rect), [rect[0] + rect[2] / 2, rect[1] + rect[3] / 2]];

function cellsOf({ data, width, height }: Picture, taken: readonly (readonly Point[])[]): Cell[] {
  const rows = rowsOf({ width, height });
  const [w, h] = [width / ACROSS, height / rows];
  const boxes = taken.map((polygon) => {
    const [xs, ys] = [polygon.map(([x]) => x), polygon.map(([, y]) => y)];
    return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)] as const;
  });
  const cells: Cell[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < ACROSS; column++) {
      const rect: Rect = [column * w, row * h, w, h];
      const meets = taken.some((polygon, i) => {
        const [left, top, right, bottom] = boxes[i]!;
        if (left > rect[0] + w || right < rect[0] || top > rect[1] + h || bottom < rect[1]) return false;
        return cellPoints(rect).some((point) => contains(polygon, point));
      });
      if (meets) continue;
      const sums = [0, 0, 0];
      let [square, count] = [0, 0];
      const step = Math.max(1, Math.floor(Math.min(w, h) / 12));
      for (let y = Math.ceil(rect[1]); y < rect[1] + h && y < height; y += step)
        for (let x = Math.ceil(rect[0]); x < rect[0] + w && x < width; x += step) {
          const p = 4 * (y * width + x);
          const green = LINEAR_OF_CODE[data[p + 1]!]!;
          sums[0]! += LINEAR_OF_CODE[data[p]!]!;
          sums[1]! += green;
          sums[2]! += LINEAR_OF_CODE[data[p + 2]!]!;
          square += green * green;
          count++;
        }
      if (count < 4 || sums.some((sum) => sum / count < 0.004 || sum / count > 0.97)) continue;
      const mean = sums[1]! / count;
      if (Math.sqrt(Math.max(0, square / count - mean * mean)) > PLAIN_SHARE * mean) continue;
      cells.push({
        x: (column + 0.5) / ACROSS - 0.5,
        y: ((row + 0.5) / rows - 0.5) * (height / width),
        rim: column < RIM || row < RIM || column >= ACROSS - RIM || row >= rows - RIM,
        values: [Math.log(mean), Math.log(sums[0]! / sums[1]!), Math.log(sums[2]! / sums[1]!)],
      });
    }
  return cells;
}

const featuresOf = ({ x, y }: Pick<Cell, 'x' | 'y'>) => [1, x, y, x * x + y * y];

/** Robust least squares: what lies far off counts for nothing (Tukey’s biweight). */
function fitted(cells: readonly Cell[], channel: 0 | 1 | 2): { fit: number[]; off: number } {
  let fit = [median(cells.map(({ values }) => values[channel]))!, 0, 0, 0];
  let off = 1;
  for (let pass = 0; pass < PASSES; pass++) {
    const misses = cells.map((cell) => {
      const features = featuresOf(cell);
      return cell.values[channel] - features.reduce((sum, f, i) => sum + f * fit[i]!, 0);
    });
    off = Math.max(1e-3, 1.4826 * median(misses.map(Math.abs))!);
    const weights = misses.map((miss) => Math.max(0, 1 - (miss / (4.7 * off)) ** 2));
    const rows = cells.map((cell, i) => featuresOf(cell).map((f) => f * weights[i]!));
    const wanted = cells.map((cell, i) => cell.values[channel] * weights[i]!);
    fit = solve(new Matrix(rows), Matrix.columnVector(wanted), true).to1DArray();
  }
  return { fit, off };
}

/** Less change of light than this across a region is left as it is. */
const LEAST_CHANGE = 0.01;

/** Takes the fall of the light out of the cells of a region, whose colour was read as in its middle. */
export function evenLight(cells: CellMap, light: BenchLight, [x, y]: readonly [number, number], lab: Lab): void {
  const { columns, rows, cellPx, left, top, weight, deltaB, lightness } = cells;
  const [middle, rgb] = [light.at(x, y), labToLinear(lab)];
  const seenAs = (column: number, row: number): Lab => {
    const here = light.at(left + (column + 0.5) * cellPx, top + (row + 0.5) * cellPx);
    return linearToLab(rgb.map((v, c) => (v * here[c]!) / middle[c]!) as unknown as LinearRgb);
  };
  const corners = [seenAs(0, 0), seenAs(columns, 0), seenAs(columns, rows), seenAs(0, rows)];
  const most = Math.max(...corners.map((corner) => Math.abs(corner[0] - lab[0]) / (lab[0] + 16)));
  if (3 * most < LEAST_CHANGE && corners.every((corner) => Math.abs(corner[2] - lab[2]) < 0.1)) return;
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const cell = row * columns + column;
      if (weight[cell] === 0) continue;
      const seen = seenAs(column, row);
      deltaB[cell]! -= seen[2] - lab[2];
      lightness[cell]! -= seen[0] - lab[0];
    }
}

/**
 * Reads how the light falls from the bench round the piece.
 *
 * @param taken outlines of what is no bench: regions, card
 * @returns `null` where too little of one plain bench is in the picture
 */
export function benchLight(picture: Picture, taken: readonly (readonly Point[])[]): BenchLight | null {
  const all = cellsOf(picture, taken);
  const rim = all.filter((cell) => cell.rim);
  if (rim.length === 0) return null;
  const usual = [0, 1, 2].map((channel) => median(rim.map(({ values }) => values[channel as 0 | 1 | 2]))!);
  const same = ({ values }: Cell) =>
    values.every((value, k) => Math.abs(value - usual[k]!) < (k === 0 ? SAME_LEVEL : SAME_COLOUR));
  const bench = all.filter(same);
  const rows = rowsOf(picture);
  const rimCells = 2 * RIM * (ACROSS + rows - 2 * RIM);
  if (bench.length < ENOUGH_CELLS || bench.filter((cell) => cell.rim).length < ENOUGH_RIM * rimCells) return null;
  const [level, red, blue] = ([0, 1, 2] as const).map((channel) => fitted(bench, channel)) as [
    ReturnType<typeof fitted>,
    ReturnType<typeof fitted>,
    ReturnType<typeof fitted>,
  ];
  if (level.off > MOST_OFF) return null;
  const of = ({ fit }: { fit: number[] }, x: number, y: number) => {
    const features = featuresOf({ x: x / picture.width - 0.5, y: (y - picture.height / 2) / picture.width });
    return features.reduce((sum, f, i) => (i === 0 ? sum : sum + f * fit[i]!), 0);
  };
  const at = (x: number, y: number): LinearRgb => {
    const green = Math.exp(of(level, x, y));
    return [green * Math.exp(of(red, x, y)), green, green * Math.exp(of(blue, x, y))];
  };
  const { width, height } = picture;
  const corners = [at(0, 0), at(width, 0), at(width, height), at(0, height), at(width / 2, height / 2)].map(
    (light) => light[1],
  );
  return { at, offShare: level.off, offBlue: blue.off, changeShare: Math.max(...corners) / Math.min(...corners) - 1 };
}
