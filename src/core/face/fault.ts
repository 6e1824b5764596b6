import { quantile } from '../numbers';
import { FAULT_LIMITS } from './faultLimits';

/** A face in cells: b* of each, `NaN` where there is no piece. */
export interface FaceMap {
  columns: number;
  rows: number;
  values: Float32Array;
}

export const FAULTS = ['even', 'fold lines', 'one side', 'thick spots', 'marbling'] as const;
export type FaultKind = (typeof FAULTS)[number];

export interface Fault {
  kind: FaultKind;
  /** Spread of b* that it makes, 5th to 95th percentile without the noise of a cell. */
  size: number;
  /** Direction of lines, or from the paler to the yellower side; degrees from the picture's x axis towards its y axis. */
  angleDeg: number | null;
  /** Where it is strongest, 0 to 1 across and down. */
  at: { x: number; y: number } | null;
  /** Where it is palest: it may be the hidden patch. Missing in what was measured before Kvell looked for it. */
  palest?: { x: number; y: number };
  /** Figures that the name rests on. */
  signs: { plane: number; lines: number; peaked: number };
}

/** Less spread of b* than this is not seen side by side. */
const EVEN_B = 2;
/** A whole face that leans to one side is seen from less, where nearly all of its spread is that. */
const LEANING = { sizeB: 1.5, plane: 0.8 } as const;
/** A thin line is seen from less; a spot has to stand out from its surroundings by this. */
const LINE_B = 1.2;
const SPOT_B = 1.6;
const ANGLES = 36;
/** A spot is at least so wide, as a share of the face. */
const SPOT_SHARE = 0.012;
/** Lines cover a few cells in a hundred; what fewer cells show is noise. */
const THIN_QUANTILE = 0.998;
const NEAREST_CELLS = 2;
/** Share of what is thin that is as thin as a fold. */
const SHARP_SHARE = 0.158;

/** Gaussian-like mean of the cells around, `NaN` left out: three passes of a box. */
function smoothed({ columns, rows, values }: FaceMap, radius: number): Float32Array {
  let from = values;
  for (let pass = 0; pass < 2; pass++)
    from = boxed(boxed(from, columns, rows, radius, 1), columns, rows, radius, columns);
  return from;
}

function boxed(values: Float32Array, columns: number, rows: number, radius: number, stride: 1 | number): Float32Array {
  const out = new Float32Array(values.length).fill(NaN);
  const [lines, length, step, lineStep] = stride === 1 ? [rows, columns, 1, columns] : [columns, rows, columns, 1];
  for (let line = 0; line < lines; line++) {
    let [sum, count] = [0, 0];
    const at = (i: number) => values[line * lineStep + i * step]!;
    const add = (i: number, sign: number) => {
      const value = i >= 0 && i < length ? at(i) : NaN;
      if (Number.isNaN(value)) return;
      sum += sign * value;
      count += sign;
    };
    for (let i = 0; i < radius; i++) add(i, 1);
    for (let i = 0; i < length; i++) {
      add(i + radius, 1);
      add(i - radius - 1, -1);
      if (!Number.isNaN(at(i)) && count > 0) out[line * lineStep + i * step] = sum / count;
    }
  }
  return out;
}

interface Cell {
  x: number;
  y: number;
  value: number;
}

/** Cells of the piece; x and y in widths of the face, from its middle. */
function cellsOf({ columns, rows }: FaceMap, values: Float32Array): Cell[] {
  const cells: Cell[] = [];
  for (let c = 0; c < values.length; c++)
    if (!Number.isNaN(values[c]!))
      cells.push({
        x: ((c % columns) + 0.5) / columns - 0.5,
        y: ((Math.floor(c / columns) + 0.5) / rows - 0.5) * (rows / columns),
        value: values[c]!,
      });
  return cells;
}

const meanOf = (cells: readonly Cell[], of: (cell: Cell) => number) =>
  cells.reduce((sum, cell) => sum + of(cell), 0) / cells.length;

/** Plane through a face by least squares, and the share of its variance that it explains. */
function plane(cells: readonly Cell[]): {
  dx: number;
  dy: number;
  mean: number;
  cx: number;
  cy: number;
  share: number;
} {
  const [mean, cx, cy] = [
    meanOf(cells, ({ value }) => value),
    meanOf(cells, ({ x }) => x),
    meanOf(cells, ({ y }) => y),
  ];
  let [xx, yy, xy, xv, yv, vv] = [0, 0, 0, 0, 0, 0];
  for (const { x, y, value } of cells) {
    const [a, b, v] = [x - cx, y - cy, value - mean];
    xx += a * a;
    yy += b * b;
    xy += a * b;
    xv += a * v;
    yv += b * v;
    vv += v * v;
  }
  const det = xx * yy - xy * xy;
  if (det < 1e-12 || vv < 1e-12) return { dx: 0, dy: 0, mean, cx, cy, share: 0 };
  const [dx, dy] = [(xv * yy - yv * xy) / det, (yv * xx - xv * xy) / det];
  return { dx, dy, mean, cx, cy, share: (dx * xv + dy * yv) / vv };
}

/** Share of the variance that lies in straight lines of one direction: the means along it, over all directions. */
function lineShare(cells: readonly Cell[], columns: number): { share: number; angleDeg: number } {
  const total = cells.reduce((sum, { value }) => sum + value * value, 0);
  let best = { share: 0, angleDeg: 0 };
  if (total < 1e-9) return best;
  const half = columns;
  const sums = new Float64Array(2 * half + 1);
  const counts = new Float64Array(2 * half + 1);
  for (let i = 0; i < ANGLES; i++) {
    const turn = (Math.PI * i) / ANGLES;
    const [nx, ny] = [-Math.sin(turn), Math.cos(turn)];
    sums.fill(0);
    counts.fill(0);
    for (const { x, y, value } of cells) {
      const bin = half + Math.round((x * nx + y * ny) * columns * 0.8);
      sums[bin]! += value;
      counts[bin]! += 1;
    }
    let kept = 0;
    for (let b = 0; b < sums.length; b++) if (counts[b]! > 0) kept += (sums[b]! * sums[b]!) / counts[b]!;
    if (kept / total > best.share) best = { share: kept / total, angleDeg: (180 * i) / ANGLES };
  }
  return best;
}

function percentiles(cells: readonly Cell[]): number {
  const sorted = Float64Array.from(cells, ({ value }) => value).sort();
  const at = (p: number) => sorted[Math.round(p * (sorted.length - 1))] ?? 0;
  return at(0.95) - at(0.05);
}

/**
 * What kind of unevenness a face shows. A plane that explains most of it is one-sided light; what is thin and runs in
 * one direction are folds of the film; few rounded spots on an even ground are cream that sat thick; hills and valleys
 * all over are marbling.
 *
 * @param map b* in cells, about a hundred across
 */
export function nameFault(map: FaceMap): Fault {
  const { columns, rows } = map;
  const fine = smoothed(map, 1);
  const cells = cellsOf(map, fine);
  const none: Fault = { kind: 'even', size: 0, angleDeg: null, at: null, signs: { plane: 0, lines: 0, peaked: 0 } };
  if (cells.length < 100) return none;
  const { dx, dy, mean, cx, cy, share } = plane(cells);
  const flat = cells.map(({ x, y, value }): Cell => ({ x, y, value: value - mean - dx * (x - cx) - dy * (y - cy) }));
  // Thin lines stand out against the means around them; broad hills do not.
  const broad = cellsOf(map, smoothed({ columns, rows, values: fine }, Math.max(3, Math.round(0.03 * columns))));
  const thin = cells.map(({ x, y, value }, i): Cell => ({ x, y, value: value - broad[i]!.value }));
  const lines = lineShare(thin, columns);
  const palestCell = broad.reduce((least, cell) => (cell.value < least.value ? cell : least));
  const placed = ({ x, y }: Cell) => ({ x: x + 0.5, y: y * (columns / rows) + 0.5 });
  const square = meanOf(flat, ({ value }) => value ** 2);
  const peaked = square > 1e-9 ? meanOf(flat, ({ value }) => value ** 4) / square ** 2 : 0;
  // A spot has some width: a single cell that stands out is noise.
  const trend = ({ x, y }: Cell) => mean + dx * (x - cx) + dy * (y - cy);
  const strongest = cellsOf(
    map,
    smoothed({ columns, rows, values: fine }, Math.max(2, Math.round(SPOT_SHARE * columns))),
  )
    .map((cell): Cell => ({ ...cell, value: cell.value - trend(cell) }))
    .reduce((most, cell) => (Math.abs(cell.value) > Math.abs(most.value) ? cell : most));
  const [at, palest] = [placed(strongest), placed(palestCell)];
  const size = percentiles(cells);
  const thinSize = quantile(
    thin.map(({ value }) => Math.abs(value)),
    THIN_QUANTILE,
  )!;
  // A fold is a few cells wide: next to the means of its nearest surroundings it still stands out, a valley does not.
  const nearest = cellsOf(map, smoothed({ columns, rows, values: fine }, NEAREST_CELLS));
  const sharp =
    meanOf(
      cells.map((cell, i) => ({ ...cell, value: cell.value - nearest[i]!.value })),
      ({ value }) => value ** 2,
    ) /
    Math.max(
      1e-9,
      meanOf(thin, ({ value }) => value ** 2),
    );
  const signs = { plane: share, lines: lines.share, peaked };
  const lined = lines.share > FAULT_LIMITS.lines && thinSize > LINE_B && sharp > SHARP_SHARE;
  const leans = size > LEANING.sizeB && share > LEANING.plane;
  if (size < EVEN_B && !lined && !leans && Math.abs(strongest.value) < SPOT_B) return { ...none, size, signs };
  if (share > FAULT_LIMITS.plane && !lined)
    return {
      kind: 'one side',
      size,
      angleDeg: ((Math.atan2(dy, dx) * 180) / Math.PI + 360) % 360,
      at: null,
      palest,
      signs,
    };
  if (lined) return { kind: 'fold lines', size: Math.max(size, thinSize), angleDeg: lines.angleDeg, at, palest, signs };
  return { kind: peaked > FAULT_LIMITS.peaked ? 'thick spots' : 'marbling', size, angleDeg: null, at, palest, signs };
}
