import { Matrix, pseudoInverse } from 'ml-matrix';
import { DARKER_PER_B } from '../colour/plasticScale';
import { median } from '../numbers';
import type { Runs } from './polygon';

/**
 * Means over small square cells of a region. Sensor noise averages out in a cell, so that what is left of
 * the spread is the piece's own; a map of cells is also what is shown as the heat map.
 */
export interface CellMap {
  /** Side of a cell in picture pixels. */
  cellPx: number;
  left: number;
  top: number;
  columns: number;
  rows: number;
  /** Pixels of the piece in each cell; 0 outside it. */
  weight: Float32Array;
  deltaE: Float32Array;
  deltaB: Float32Array;
  lightness: Float32Array;
}

/** A region is cut into about this many cells along its longer side. */
const CELLS_ACROSS = 200;

/** An empty map for a region. */
export function cellsFor(runs: Runs): CellMap {
  const cellPx = Math.max(1, Math.round(Math.max(runs.right - runs.left, runs.bottom - runs.top) / CELLS_ACROSS));
  const columns = Math.max(1, Math.ceil((runs.right - runs.left) / cellPx));
  const rows = Math.max(1, Math.ceil((runs.bottom - runs.top) / cellPx));
  const empty = () => new Float32Array(columns * rows);
  return {
    cellPx,
    left: runs.left,
    top: runs.top,
    columns,
    rows,
    weight: empty(),
    deltaE: empty(),
    deltaB: empty(),
    lightness: empty(),
  };
}

/** Cells that hold enough of the piece to speak for it. */
export function speakingCells(map: CellMap): number[] {
  const enough = 0.4 * map.cellPx * map.cellPx;
  const cells: number[] = [];
  for (let c = 0; c < map.weight.length; c++) if (map.weight[c]! >= enough) cells.push(c);
  return cells;
}

/** A lens and a JPEG mix colours over so many pixels at an edge. */
const MIXED_PX = 4;
/** Where fewer than this are left, the piece is all edges and they speak as well. */
const LEAST_INNER = 0.25;
/** So much brighter than its yellow says is glare, so much darker is shade, L*. */
const GLARE_L = 2.5;
const SHADE_L = 4;

/**
 * Cells whose Δb* is the plastic’s alone: away from edges, where colours mix, and neither in glare nor in shade, which
 * are brighter or darker than their yellow says.
 */
export function plasticCells(map: CellMap): number[] {
  const speaking = speakingCells(map);
  const inner = innerCells(map, speaking, Math.max(1, Math.ceil(MIXED_PX / map.cellPx)));
  const cells = inner.length >= LEAST_INNER * speaking.length ? inner : speaking;
  if (cells.length < 16) return cells;
  const placed = cells.map((c) => [1, (c % map.columns) / map.columns, Math.floor(c / map.columns) / map.rows]);
  const unyellowed = cells.map((c) => map.lightness[c]! + DARKER_PER_B * map.deltaB[c]!);
  const step = Math.max(1, Math.floor(cells.length / 2000));
  const some = cells.flatMap((_, i) => (i % step === 0 ? [i] : []));
  const middle = median(some.map((i) => unyellowed[i]!))!;
  const near = some.filter((i) => Math.abs(unyellowed[i]! - middle) < 2 * SHADE_L);
  const fit = pseudoInverse(new Matrix(near.map((i) => placed[i]!)))
    .mmul(Matrix.columnVector(near.map((i) => unyellowed[i]!)))
    .to1DArray();
  return cells.filter((_, i) => {
    const off = unyellowed[i]! - placed[i]!.reduce((sum, v, k) => sum + v * fit[k]!, 0);
    return off < GLARE_L && off > -SHADE_L;
  });
}

/** Cells at least so many cells away from what does not speak. */
function innerCells({ columns, rows }: CellMap, cells: readonly number[], by: number): number[] {
  let speaks = new Uint8Array(columns * rows);
  for (const c of cells) speaks[c] = 1;
  for (let pass = 0; pass < by; pass++) {
    const next = new Uint8Array(speaks.length);
    for (const c of cells) {
      const column = c % columns;
      const edge = column === 0 || column === columns - 1 || c < columns || c >= columns * (rows - 1);
      if (speaks[c] && !edge && speaks[c - 1] && speaks[c + 1] && speaks[c - columns] && speaks[c + columns])
        next[c] = 1;
    }
    speaks = next;
  }
  return cells.filter((c) => speaks[c]);
}

/** Percentile range of Δb* over the cells: 5th to 95th. */
export function evenness(map: CellMap, cells: readonly number[]): number {
  if (cells.length < 2) return 0;
  const sorted = new Float32Array(cells.length);
  for (let i = 0; i < cells.length; i++) sorted[i] = map.deltaB[cells[i]!]!;
  sorted.sort();
  const at = (p: number) => sorted[Math.round(p * (sorted.length - 1))]!;
  return at(0.95) - at(0.05);
}

const BOXES = 3;

/**
 * Radii of three box filters that one after the other come near a Gaussian: their variances add up to its own.
 * After Kovesi, Fast almost-Gaussian filtering (2010).
 */
function boxRadii(sigma: number): number[] {
  const ideal = Math.sqrt((12 * sigma * sigma) / BOXES + 1);
  const low = Math.floor((ideal - 1) / 2);
  const width = 2 * low + 1;
  const narrow = Math.round((12 * sigma * sigma - BOXES * (width * width + 4 * width + 3)) / (-4 * width - 4));
  return Array.from({ length: BOXES }, (_, k) => (k < narrow ? low : low + 1));
}

/** One row or column through a box filter by a running sum; outside counts as nothing. */
function boxLine(
  source: Float64Array,
  out: Float64Array,
  start: number,
  stride: number,
  length: number,
  radius: number,
): void {
  const share = 1 / (2 * radius + 1);
  let sum = 0;
  for (let i = 0; i < Math.min(radius, length); i++) sum += source[start + i * stride]!;
  for (let i = 0; i < length; i++) {
    if (i + radius < length) sum += source[start + (i + radius) * stride]!;
    if (i > radius) sum -= source[start + (i - radius - 1) * stride]!;
    out[start + i * stride] = sum * share;
  }
}

/**
 * Maps without their fine grain: nearly a Gaussian of the given width, weighted, so that the piece's edge and
 * its left-out spots do not pull values towards nothing.
 */
export function lowPass(map: CellMap, maps: readonly Float32Array[], sigmaCells: number): Float32Array[] {
  const radii = boxRadii(sigmaCells);
  const { columns, rows, weight } = map;
  const smoothed = (given: Float64Array) => {
    let [from, to]: [Float64Array, Float64Array] = [given, new Float64Array(given.length)];
    for (const radius of radii) {
      for (let row = 0; row < rows; row++) boxLine(from, to, row * columns, 1, columns, radius);
      [from, to] = [to, from];
      for (let column = 0; column < columns; column++) boxLine(from, to, column, columns, rows, radius);
      [from, to] = [to, from];
    }
    return from;
  };
  const weights = smoothed(Float64Array.from(weight));
  return maps.map((values) => {
    const weighted = new Float64Array(values.length);
    for (let c = 0; c < values.length; c++) weighted[c] = values[c]! * weight[c]!;
    const smooth = smoothed(weighted);
    const out = new Float32Array(values.length);
    for (let c = 0; c < out.length; c++) out[c] = weights[c]! > 1e-6 ? smooth[c]! / weights[c]! : 0;
    return out;
  });
}

/** Standard deviation over the cells. */
export function spread(values: Float32Array, cells: readonly number[]): number {
  if (cells.length < 2) return 0;
  const mean = cells.reduce((sum, c) => sum + values[c]!, 0) / cells.length;
  return Math.sqrt(cells.reduce((sum, c) => sum + (values[c]! - mean) ** 2, 0) / cells.length);
}

/**
 * Direction of what runs through a map: structure tensor of its gradient over inner cells.
 *
 * @returns coherence 0 (no direction) to 1 (stripes), and the direction of the stripes, degrees from the
 * picture's x axis towards its y axis, 0 to 180
 */
export function streak(
  map: CellMap,
  smooth: Float32Array,
  cells: readonly number[],
): { coherence: number; angleDeg: number } {
  const speaks = new Uint8Array(smooth.length);
  for (const c of cells) speaks[c] = 1;
  let xx = 0;
  let yy = 0;
  let xy = 0;
  for (const c of cells) {
    const column = c % map.columns;
    if (column === 0 || column === map.columns - 1 || !speaks[c - 1] || !speaks[c + 1]) continue;
    if (!speaks[c - map.columns] || !speaks[c + map.columns]) continue;
    const gx = smooth[c + 1]! - smooth[c - 1]!;
    const gy = smooth[c + map.columns]! - smooth[c - map.columns]!;
    xx += gx * gx;
    yy += gy * gy;
    xy += gx * gy;
  }
  const sum = xx + yy;
  if (sum < 1e-9) return { coherence: 0, angleDeg: 0 };
  const coherence = Math.hypot(xx - yy, 2 * xy) / sum;
  const gradientDeg = (0.5 * Math.atan2(2 * xy, xx - yy) * 180) / Math.PI;
  return { coherence, angleDeg: (gradientDeg + 90 + 360) % 180 };
}

/**
 * By how much the light changes across a region, as a share: a plane in L* next to b* (so that yellow,
 * which darkens too, is not taken for shade), turned into light.
 */
export function lightChange(map: CellMap, cells: readonly number[]): number {
  if (cells.length < 16) return 0;
  const step = Math.max(1, Math.floor(cells.length / 2000));
  const sample = cells.filter((_, i) => i % step === 0);
  const rows = sample.map((c) => [
    1,
    (c % map.columns) / map.columns,
    Math.floor(c / map.columns) / map.rows,
    map.deltaB[c]! / 10,
  ]);
  const fit = pseudoInverse(new Matrix(rows))
    .mmul(Matrix.columnVector(sample.map((c) => map.lightness[c]!)))
    .to1DArray();
  const mean = sample.reduce((sum, c) => sum + map.lightness[c]!, 0) / sample.length;
  return (3 * (Math.abs(fit[1]!) + Math.abs(fit[2]!))) / (mean + 16);
}
