import { linearToLab, srgbToLinear } from '../colour/lab';
import type { Picture, Point } from '../photo/picture';
import { placeOnFace } from '../photo/placeOnFace';
import { polygonRuns } from '../photo/polygon';

/** L* that a piece loses for each b* that it yellows: from clean bone to aged amber on the plastic scale. */
const DARKER_PER_B = 0.35;
/** Darker than clean by more than this counts as soiled: seen at a glance, and above the noise of a cell. */
const SOILED_L = 4;
/** Where the clean plastic lies among the cells of a face: most of what is light is clean. */
const CLEAN_QUANTILE = 0.8;
/** Dark like print, badges and gaps: not soil of the shell. */
const NOT_SHELL_L = 30;
/** A face is cut into about this many cells along its longer side. */
const CELLS_ACROSS = 120;

/** A face in cells: lightness and b* of the mean light of each; empty cells hold `NaN`. */
export interface FaceCells {
  /** Upper left corner of the first cell and a cell's side, in pixels of the picture. */
  left: number;
  top: number;
  cell: number;
  columns: number;
  rows: number;
  /** Share of the cells that the outline fills. */
  filled: number;
  lightness: Float32Array;
  b: Float32Array;
}

const LINEAR = Float64Array.from({ length: 256 }, (_, code) => srgbToLinear([code, 0, 0])[0]);

/** The mean light of every cell inside an outline; light is averaged, not its code. */
export function faceCells({ data, width, height }: Picture, outline: readonly Point[]): FaceCells {
  const runs = polygonRuns(outline, width, height);
  const cell = Math.max(1, Math.round(Math.max(runs.right - runs.left, runs.bottom - runs.top) / CELLS_ACROSS));
  const columns = Math.max(1, Math.ceil((runs.right - runs.left) / cell));
  const rows = Math.max(1, Math.ceil((runs.bottom - runs.top) / cell));
  const sums = new Float64Array(4 * columns * rows);
  for (let run = 0; run < runs.triples.length; run += 3) {
    const [y, from, to] = [runs.triples[run]!, runs.triples[run + 1]!, runs.triples[run + 2]!];
    const row = Math.floor((y - runs.top) / cell) * columns;
    for (let x = from; x < to; x++) {
      const at = 4 * (row + Math.floor((x - runs.left) / cell));
      const pixel = 4 * (y * width + x);
      sums[at] = sums[at]! + LINEAR[data[pixel]!]!;
      sums[at + 1] = sums[at + 1]! + LINEAR[data[pixel + 1]!]!;
      sums[at + 2] = sums[at + 2]! + LINEAR[data[pixel + 2]!]!;
      sums[at + 3] = sums[at + 3]! + 1;
    }
  }
  const lightness = new Float32Array(columns * rows).fill(NaN);
  const b = new Float32Array(columns * rows).fill(NaN);
  let full = 0;
  for (let i = 0; i < columns * rows; i++) {
    const count = sums[4 * i + 3]!;
    if (count < 0.4 * cell * cell) continue;
    const lab = linearToLab([sums[4 * i]! / count, sums[4 * i + 1]! / count, sums[4 * i + 2]! / count]);
    lightness[i] = lab[0];
    b[i] = lab[2];
    full++;
  }
  return { left: runs.left, top: runs.top, cell, columns, rows, filled: full / (columns * rows), lightness, b };
}

/** What a cell would have for lightness without its yellow. */
const unyellowed = ({ lightness, b }: FaceCells, cell: number): number => lightness[cell]! + DARKER_PER_B * b[cell]!;

const shellCells = ({ lightness }: FaceCells): number[] => [...lightness.keys()].filter((cell) => lightness[cell]! > NOT_SHELL_L);

export interface Soiled {
  /** Share of the face that is soiled, 0 to 1. */
  share: number;
  /** For each cell: 0 clean or not shell, up to 1 for the darkest soil. */
  depth: Float32Array;
}

/**
 * How much of a face is soiled: cells darker than its own clean plastic by more than yellowing explains. It needs a
 * fifth of the face clean to know what clean is, and soil that is as yellow as it is dark (an even veil of nicotine) is
 * not told from yellowing.
 */
export function soiledShare(face: FaceCells): Soiled {
  const depth = new Float32Array(face.lightness.length);
  const cells = shellCells(face);
  if (cells.length === 0) return { share: 0, depth };
  const levels = Float64Array.from(cells, (cell) => unyellowed(face, cell)).sort();
  const clean = levels[Math.floor(CLEAN_QUANTILE * (levels.length - 1))]!;
  let soiled = 0;
  for (const cell of cells) {
    const darker = clean - unyellowed(face, cell);
    if (darker <= SOILED_L) continue;
    soiled++;
    depth[cell] = Math.min(1, darker / 25);
  }
  return { share: soiled / cells.length, depth };
}

/** Whether two outlines can be the same face: their shapes agree. */
export function sameFace(a: FaceCells, b: FaceCells): boolean {
  return Math.abs(Math.log(a.columns / a.rows / (b.columns / b.rows))) < 0.25 && Math.abs(a.filled - b.filled) < 0.2;
}

/** A spot that is left: its share of the face, and its middle in pixels of the picture. */
export interface LeftSpot {
  share: number;
  middle: Point;
  /** Where on the face, in words. */
  where: string;
}

/** Smaller than this is no spot of its own. */
const LEAST_SHARE = 0.002;
const MOST_SPOTS = 6;

/** What is left, as spots that hang together, the largest first. */
export function leftSpots({ left, top, cell, columns, rows, lightness }: FaceCells, depth: Float32Array): LeftSpot[] {
  const shell = lightness.reduce((sum, light) => sum + (light > NOT_SHELL_L ? 1 : 0), 0);
  const seen = new Uint8Array(depth.length);
  const spots: LeftSpot[] = [];
  for (let start = 0; start < depth.length; start++) {
    if (seen[start] || !(depth[start]! > 0)) continue;
    const { cells, x, y } = flooded(start, depth, columns, rows, seen);
    if (cells / shell < LEAST_SHARE) continue;
    const [across, down] = [(x + 0.5) / columns, (y + 0.5) / rows];
    spots.push({ share: cells / shell, middle: [left + (x + 0.5) * cell, top + (y + 0.5) * cell], where: placeOnFace(across, down) });
  }
  return spots.sort((a, b) => b.share - a.share).slice(0, MOST_SPOTS);
}

/** All soiled cells that touch, corners too, from one of them: how many, and their middle. */
function flooded(start: number, depth: Float32Array, columns: number, rows: number, seen: Uint8Array): { cells: number; x: number; y: number } {
  const waiting = [start];
  seen[start] = 1;
  let [cells, x, y] = [0, 0, 0];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    const [column, row] = [at % columns, Math.floor(at / columns)];
    cells++;
    x += column;
    y += row;
    for (let r = Math.max(0, row - 1); r <= Math.min(rows - 1, row + 1); r++)
      for (let c = Math.max(0, column - 1); c <= Math.min(columns - 1, column + 1); c++) {
        const next = r * columns + c;
        if (seen[next] || !(depth[next]! > 0)) continue;
        seen[next] = 1;
        waiting.push(next);
      }
  }
  return { cells, x: x / cells, y: y / cells };
}
