import { differenceTo } from '../colour/bulk';
import type { Lab } from '../colour/types';
import { cellsFor, type CellMap } from './cells';
import type { RegionColours } from './colourTable';
import type { Runs } from './polygon';
import type { RobustColour } from './robust';

/**
 * ΔE00 of every pixel of a region, in hundredths and in the order of its runs, and the means of its cells.
 * `deltaE` lies in memory that the next measurement takes over: copy it to keep it.
 */
export interface RegionMap {
  id: string;
  deltaE: Uint16Array;
  runs: Runs;
  cells: CellMap;
}

// What a pixel needs to know of its colour, packed in 32 bits so that it costs one visit to memory:
// ΔE00 in hundredths (13 bits), Δb* in twentieths (11 bits, 0 for colours outside the limits) and L* (8 bits).
const DELTA_E_BITS = 13;
const DELTA_B_BITS = 11;
const DELTA_E_MASK = (1 << DELTA_E_BITS) - 1;
const DELTA_B_MASK = (1 << DELTA_B_BITS) - 1;
const DELTA_B_STEP = 0.05;
const DELTA_B_ZERO = 1 << (DELTA_B_BITS - 1);
const LIGHTNESS_STEP = 0.45;

const step = (value: number, low: number, high: number) => Math.min(high, Math.max(low, Math.round(value)));

/** Writes the packed facts of a region's colours into the table of all colours, in place of their counts. */
function writeFacts(table: Uint32Array, { codes, labs, size }: RegionColours, { used }: RobustColour, reference: Lab): void {
  const difference = differenceTo(reference);
  for (let id = 0; id < size; id++) {
    const l = labs[3 * id]!;
    const b = labs[3 * id + 2]!;
    const deltaE = step(100 * difference(l, labs[3 * id + 1]!, b), 0, DELTA_E_MASK);
    const deltaB = used[id] === 1 ? step((b - reference[2]) / DELTA_B_STEP + DELTA_B_ZERO, 1, DELTA_B_MASK) : 0;
    const lightness = step(l / LIGHTNESS_STEP, 0, 255);
    table[codes[id]!] = (lightness << (DELTA_E_BITS + DELTA_B_BITS)) | (deltaB << DELTA_E_BITS) | deltaE;
  }
}

let scratch = new Uint16Array(0);
let scratchTaken = 0;

/** Gives all scratch memory back; what was taken before is overwritten from now on. */
export function resetScratch(): void {
  scratchTaken = 0;
}

/** Memory for a number a pixel. It is kept: fresh memory for 12 million pixels costs more than the sums. */
function takeScratch(length: number): Uint16Array {
  if (scratchTaken + length > scratch.length) {
    scratch = new Uint16Array(Math.ceil(1.2 * length));
    scratchTaken = 0;
  }
  scratchTaken += length;
  return scratch.subarray(scratchTaken - length, scratchTaken);
}

/** The map of a region against a reference. */
export function deltaMap(
  id: string,
  table: Uint32Array,
  words: Uint32Array,
  width: number,
  runs: Runs,
  colours: RegionColours,
  robust: RobustColour,
  reference: Lab,
): RegionMap {
  writeFacts(table, colours, robust, reference);
  const cells = cellsFor(runs);
  const out = takeScratch(runs.pixelCount);
  const { triples } = runs;
  let at = 0;
  for (let t = 0; t < triples.length; t += 3) {
    const y = triples[t]!;
    const cellRow = Math.floor((y - cells.top) / cells.cellPx) * cells.columns;
    mapRun(cells, cellRow, table, words, y * width, triples[t + 1]!, triples[t + 2]!, out, at);
    at += triples[t + 2]! - triples[t + 1]!;
  }
  meanOfSums(cells);
  return { id, deltaE: out, runs, cells };
}

/** One run of pixels: a function of its own, since the engine compiles what is called often. */
function mapRun(
  cells: CellMap,
  cellRow: number,
  table: Uint32Array,
  words: Uint32Array,
  row: number,
  from: number,
  to: number,
  out: Uint16Array,
  start: number,
): void {
  const { cellPx, left, weight, deltaE, deltaB, lightness } = cells;
  let at = start;
  for (let x = from; x < to;) {
    const column = ((x - left) / cellPx) | 0;
    const until = Math.min(to, left + (column + 1) * cellPx);
    let n = 0;
    let e = 0;
    let b = 0;
    let l = 0;
    for (; x < until; x++) {
      const fact = table[words[row + x]! & 0xffffff]!;
      const de = fact & DELTA_E_MASK;
      out[at++] = de;
      const db = (fact >>> DELTA_E_BITS) & DELTA_B_MASK;
      if (db === 0) continue;
      n++;
      e += de;
      b += db;
      l += fact >>> (DELTA_E_BITS + DELTA_B_BITS);
    }
    const cell = cellRow + column;
    weight[cell]! += n;
    deltaE[cell]! += e;
    deltaB[cell]! += b;
    lightness[cell]! += l;
  }
}

function meanOfSums({ weight, deltaE, deltaB, lightness }: CellMap): void {
  for (let c = 0; c < weight.length; c++) {
    const n = weight[c]!;
    if (n === 0) continue;
    deltaE[c]! /= 100 * n;
    deltaB[c] = (deltaB[c]! / n - DELTA_B_ZERO) * DELTA_B_STEP;
    lightness[c] = (lightness[c]! / n) * LIGHTNESS_STEP;
  }
}
