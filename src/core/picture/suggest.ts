import { median } from '../numbers';
import { linearToLab } from '../colour/lab';
import { LINEAR_OF_CODE } from '../colour/bulk';
import type { Lab, LinearRgb } from '../colour/types';
import { fourCorners, refineCorners, type Corners } from './corners';
import { heldTogether } from './flood';
import type { Picture, Point } from './picture';

const CELLS_ACROSS = 160;
/** Cells of the rim that the bench's colour is read from. */
const RIM = 3;
/** Further than this from the bench's colour is not bench; a shadow on it is nearer, since it only darkens. */
const OFF_BENCH = 14;
/** Smaller than this share of the picture is a card or a tool, not the piece. */
const LEAST_SHARE = 0.04;
const REACH = 0.02;

/** A picture in square cells, each with its mean colour as the camera gave it. */
export interface LabCells {
  columns: number;
  rows: number;
  /** Pixels of a side. */
  size: number;
  labs: Lab[];
}

/** Mean colour of each cell, about so many across; a gain of each channel undoes the light where it is known. */
export function labCells({ data, width, height }: Picture, across: number, gains: LinearRgb = [1, 1, 1]): LabCells {
  const size = Math.max(1, Math.floor(width / across));
  const [columns, rows] = [Math.floor(width / size), Math.floor(height / size)];
  const step = Math.max(1, Math.floor(size / 3));
  const labs = Array.from({ length: columns * rows }, (_, cell): Lab => {
    const [x0, y0] = [(cell % columns) * size, Math.floor(cell / columns) * size];
    let [r, g, b, n] = [0, 0, 0, 0];
    for (let y = y0; y < y0 + size; y += step)
      for (let x = x0; x < x0 + size; x += step) {
        const p = 4 * (y * width + x);
        r += LINEAR_OF_CODE[data[p]!]!;
        g += LINEAR_OF_CODE[data[p + 1]!]!;
        b += LINEAR_OF_CODE[data[p + 2]!]!;
        n++;
      }
    return linearToLab([(gains[0] * r) / n, (gains[1] * g) / n, (gains[2] * b) / n]);
  });
  return { columns, rows, size, labs };
}

/**
 * The corners of the piece that lies on the bench, as a first guess: what is lighter than the bench or of another
 * colour, the largest of it, its four corners moved onto its edges.
 *
 * @returns `null` where nothing stands out from the bench, or it fills the picture
 */
export function suggestCorners(picture: Picture): Corners | null {
  const cells = labCells(picture, CELLS_ACROSS);
  const { columns, size, labs } = cells;
  const best = standing(cells).reduce((most, part) => (part.length > most.length ? part : most), [] as number[]);
  if (best.length < LEAST_SHARE * labs.length) return null;
  const corners = fourCorners(
    best.map((cell): Point => [((cell % columns) + 0.5) * size, (Math.floor(cell / columns) + 0.5) * size]),
  );
  const atRim = corners.filter(
    ([x, y]) => x < 2 * size || y < 2 * size || x > picture.width - 2 * size || y > picture.height - 2 * size,
  );
  if (atRim.length > 1) return null;
  return refineCorners(picture, corners, REACH * picture.width);
}

/** What stands out from the bench, part by part, as cells. */
function standing({ columns, rows, labs }: LabCells): number[][] {
  const rim = labs.filter((_, cell) => {
    const [column, row] = [cell % columns, Math.floor(cell / columns)];
    return column < RIM || row < RIM || column >= columns - RIM || row >= rows - RIM;
  });
  const bench = [0, 1, 2].map((k) => median(rim.map((lab) => lab[k as 0 | 1 | 2]))!);
  const stands = labs.map((lab) => {
    const colour = Math.hypot(lab[1] - bench[1]!, lab[2] - bench[2]!);
    // A piece is lighter than the bench or of another colour; what is only darker is its shadow.
    return colour > OFF_BENCH || lab[0] - bench[0]! > OFF_BENCH ? 1 : 0;
  });
  return heldTogether(stands, columns, rows);
}
