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
// ΔE00 in hundredths (13 bits), Δb* in twentieths (11 bits, 0 for what is not the plastic) and L* (8 bits).
const DELTA_E_BITS = 13;
const DELTA_B_BITS = 11;
const DELTA_E_MASK = (1 << DELTA_E_BITS) - 1;
const DELTA_B_MASK = (1 << DELTA_B_BITS) - 1;
const DELTA_B_STEP = 0.05;
const DELTA_B_ZERO = 1 << (DELTA_B_BITS - 1);
const LIGHTNESS_STEP = 0.45;

/** Cells this high can do with every second row. */
const MANY_ROWS = 12;

const step = (value: number, low: number, high: number) => Math.min(high, Math.max(low, Math.round(value)));

/** Writes the packed facts of a region's colours into the table of all colours, in place of their counts. */
function writeFacts(
  table: Uint32Array,
  { codes, labs, size }: RegionColours,
  { plastic }: RobustColour,
  reference: Lab,
): void {
  const difference = differenceTo(reference);
  for (let id = 0; id < size; id++) {
    const l = labs[3 * id]!;
    const b = labs[3 * id + 2]!;
    const deltaE = step(100 * difference(l, labs[3 * id + 1]!, b), 0, DELTA_E_MASK);
    const deltaB = plastic[id] === 1 ? step((b - reference[2]) / DELTA_B_STEP + DELTA_B_ZERO, 1, DELTA_B_MASK) : 0;
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
  const everyRow = cells.cellPx < MANY_ROWS;
  let at = 0;
  for (let t = 0; t < triples.length; t += 3) {
    const y = triples[t]!;
    const cellRow = Math.floor((y - cells.top) / cells.cellPx) * cells.columns;
    const from = triples[t + 1]!;
    const to = triples[t + 2]!;
    if (to - from > runFacts.length) runFacts = new Int32Array(to - from);
    lookUpRun(runFacts, table, words, y * width + from, y * width + to, out, at);
    // Cells of many rows get every second one, counted twice: their means lie far under the sensor's noise as it is.
    if (everyRow || (y & 1) === 0) addRun(cells, cellRow, runFacts, from, to, everyRow ? 1 : 2);
    at += to - from;
  }
  meanOfSums(cells);
  return { id, deltaE: out, runs, cells };
}

/** Facts of one run's pixels, small enough to stay in the nearest cache. */
let runFacts = new Int32Array(1 << 13);

/**
 * Looks up the facts of a run, eight pixels a turn: most of the time goes into the loop round the visit to
 * memory. It is also too long for the engine to copy into its caller, where the registers would not suffice
 * and it would take twice as long.
 */
function lookUpRun(
  facts: Int32Array,
  table: Uint32Array,
  words: Uint32Array,
  from: number,
  to: number,
  out: Uint16Array,
  start: number,
): void {
  let k = 0;
  let i = from;
  for (; i + 8 <= to; i += 8, k += 8) {
    const f0 = table[words[i]! & 0xffffff]! | 0;
    const f1 = table[words[i + 1]! & 0xffffff]! | 0;
    const f2 = table[words[i + 2]! & 0xffffff]! | 0;
    const f3 = table[words[i + 3]! & 0xffffff]! | 0;
    const f4 = table[words[i + 4]! & 0xffffff]! | 0;
    const f5 = table[words[i + 5]! & 0xffffff]! | 0;
    const f6 = table[words[i + 6]! & 0xffffff]! | 0;
    const f7 = table[words[i + 7]! & 0xffffff]! | 0;
    facts[k] = f0;
    facts[k + 1] = f1;
    facts[k + 2] = f2;
    facts[k + 3] = f3;
    facts[k + 4] = f4;
    facts[k + 5] = f5;
    facts[k + 6] = f6;
    facts[k + 7] = f7;
    out[start + k] = f0 & DELTA_E_MASK;
    out[start + k + 1] = f1 & DELTA_E_MASK;
    out[start + k + 2] = f2 & DELTA_E_MASK;
    out[start + k + 3] = f3 & DELTA_E_MASK;
    out[start + k + 4] = f4 & DELTA_E_MASK;
    out[start + k + 5] = f5 & DELTA_E_MASK;
    out[start + k + 6] = f6 & DELTA_E_MASK;
    out[start + k + 7] = f7 & DELTA_E_MASK;
  }
  for (; i < to; i++, k++) {
    facts[k] = table[words[i]! & 0xffffff]! | 0;
    out[start + k] = facts[k]! & DELTA_E_MASK;
  }
}

/** Adds the facts of a run to the cells of its row. */
function addRun(
  { cellPx, left, weight, deltaE, deltaB, lightness }: CellMap,
  cellRow: number,
  facts: Int32Array,
  from: number,
  to: number,
  times: number,
): void {
  for (let x = from; x < to;) {
    const column = ((x - left) / cellPx) | 0;
    const until = Math.min(to, left + (column + 1) * cellPx);
    let n = 0;
    let e = 0;
    let b = 0;
    let l = 0;
    for (; x < until; x++) {
      const fact = facts[x - from]!;
      const db = (fact >>> DELTA_E_BITS) & DELTA_B_MASK;
      // All ones for the plastic, else 0: noise at the limits would make a branch guess wrong.
      const inside = -db >> 31;
      n -= inside;
      e += fact & DELTA_E_MASK & inside;
      b += db;
      l += (fact >>> (DELTA_E_BITS + DELTA_B_BITS)) & inside;
    }
    const cell = cellRow + column;
    weight[cell]! += times * n;
    deltaE[cell]! += times * e;
    deltaB[cell]! += times * b;
    lightness[cell]! += times * l;
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
