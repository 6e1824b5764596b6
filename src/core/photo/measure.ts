import { differenceTo } from '../colour/bulk';
import { deltaE00 } from '../colour/difference';
import { labToLinear, yellownessIndexOfLab } from '../colour/lab';
import type { Lab, LinearRgb } from '../colour/types';
import { Refusal } from '../refusal';
import { cellsFor, evenness, lightChange, lowPass, speakingCells, spread, streak, type CellMap } from './cells';
import { ColourTable } from './colourTable';
import { fitCorrection, gainCorrection, NO_CORRECTION, residualDeltaE00, type Correction } from './correction';
import { CLIPPED_CODE, CLIPPED_SHARE, readPatch, residualPatches, type PatchReading } from './patches';
import type { Picture } from './picture';
import { overlapShare, polygonRuns, type Runs } from './polygon';
import { robustColour, type RobustColour } from './robust';
import { isBlurred } from './sharpness';
import type { MeasureSpec } from './spec';
import { judge, type Verdict } from './verdict';

export interface RegionResult {
  id: string;
  /** Median colour; `null` where the picture has no card of known colour. */
  lab: Lab | null;
  yellownessIndex: number | null;
  /** To the reference; `null` without one, and for the reference itself 0. */
  deltaE00: number | null;
  deltaL: number | null;
  deltaB: number | null;
  evenness: number;
  blotch: number;
  streak: { coherence: number; angleDeg: number };
  /** Share of the region's pixels inside the robust limits. */
  usedShare: number;
  /** Cell farthest from the reference, picture pixels, with its ΔE00. */
  worst: { x: number; y: number; deltaE00: number } | null;
  verdict: Verdict | null;
}

/** What the numbers stand on: a card of known colour, white balance alone, or nothing but the picture. */
export type Basis = 'card' | 'white balance' | 'picture only';

export interface MeasureResult {
  regions: RegionResult[];
  card: { patches: number; residualDeltaE00: number | null; method: Correction['method'] };
  basis: Basis;
  warnings: string[];
}

/** ΔE00 of every pixel of a region in the order of its runs, and the means of its cells. */
export interface RegionMap {
  id: string;
  deltaE: Float32Array;
  runs: Runs;
  cells: CellMap;
}

export interface Measured {
  result: MeasureResult;
  maps: RegionMap[];
}

/** Colour that a hidden patch is taken for when a picture holds no card: ordinary putty plastic. */
const UNKNOWN_PLASTIC: Lab = [84, -0.5, 7];
/** A region with fewer pixels than this says nothing. */
const SMALLEST_REGION_PX = 64;
const DARK_LIGHTNESS = 25;
const LIGHT_CHANGE_LIMIT = 0.1;
/** Low-pass width of the blotch score, as a share of the piece's width. */
const BLOTCH_SIGMA = 0.02;

interface Region {
  id: string;
  runs: Runs;
  ids: Int32Array;
  counts: Int32Array;
  robust: RobustColour;
}

/**
 * Measures the regions of a picture: light undone by the card, robust median colours, distance to the
 * hidden patch, evenness, blotches, and a map of ΔE00.
 *
 * @param picture upright, sRGB
 * @param spec patches, regions and reference in pixels of that picture
 * @param onProgress told the share done, 0 to 1
 * @throws Refusal with the path of what is wrong in `spec`
 */
export function measurePicture(picture: Picture, spec: MeasureSpec, onProgress: (share: number) => void = () => {}): Measured {
  checkSpec(picture, spec);
  const warnings: string[] = [];
  const readings = spec.card.map((patch, i) => readPatch(picture, patch.rect, `card[${i}]`));
  const { correction, basis } = lightCorrection(picture, spec, readings);
  onProgress(0.05);
  const table = new ColourTable(correction);
  try {
    const regions = spec.regions.map((region, i) => {
      const found = countRegion(picture, table, region.id, spec.regions[i]!.polygon, `regions[${i}].polygon`);
      onProgress(0.05 + (0.55 * (i + 1)) / spec.regions.length);
      return found;
    });
    refuseColourless(table);
    const reference = spec.referenceLab ?? regions.find(({ id }) => id === spec.reference)?.robust.lab ?? null;
    const measured = regions.map((region, i) => {
      const out = mapRegion(table, region, reference, region.id === spec.reference, basis);
      warnings.push(...regionWarnings(table, region, out.map.cells));
      onProgress(0.6 + (0.38 * (i + 1)) / regions.length);
      return out;
    });
    const known = spec.card.filter(({ kind }) => kind === 'known');
    const residual = basis === 'card' ? residualDeltaE00(correction, residualPatches(known, readings.filter((_, i) => spec.card[i]!.kind === 'known'))) : null;
    warnings.push(...basisWarnings(basis, reference !== null, residual));
    if (isBlurred(picture)) warnings.push('The picture is blurred. Hold the camera still or rest it on something, and take it again.');
    onProgress(1);
    return {
      result: {
        regions: measured.map(({ result }) => result),
        card: { patches: spec.card.length, residualDeltaE00: residual, method: correction.method },
        basis,
        warnings,
      },
      maps: measured.map(({ map }) => map),
    };
  } finally {
    table.release();
  }
}

function checkSpec(picture: Picture, spec: MeasureSpec): void {
  const inPicture = ([x, y]: readonly [number, number]) => x >= -0.5 && y >= -0.5 && x <= picture.width + 0.5 && y <= picture.height + 0.5;
  spec.regions.forEach(({ id, polygon }, i) => {
    if (!polygon.every(inPicture))
      throw new Refusal(`regions[${i}].polygon`, `“${id}” reaches outside the picture (${picture.width} × ${picture.height} pixels). Draw its corners inside.`);
  });
  if (spec.reference === undefined) return;
  const hidden = spec.regions.find(({ id }) => id === spec.reference);
  if (!hidden)
    throw new Refusal('reference', `There is no region called “${spec.reference}” to compare with. Name one of: ${spec.regions.map(({ id }) => id).join(', ')}.`);
  spec.card.forEach(({ rect }, i) => {
    if (overlapShare(hidden.polygon, rect) > 0.05)
      throw new Refusal(`card[${i}].rect`, 'The hidden patch is drawn on the card. The hidden patch is bare plastic that never saw light; draw it on the piece.');
  });
}

function lightCorrection(picture: Picture, spec: MeasureSpec, readings: PatchReading[]): { correction: Correction; basis: Basis } {
  const known = spec.card.flatMap(({ kind, srgb }, i) => (kind === 'known' ? [{ srgb, measured: readings[i]!.mean }] : []));
  if (known.length > 0) return { correction: fitCorrection(known), basis: 'card' };
  const paper = spec.card.length > 0;
  const balance = paper ? paperBalance(readings) : [1, 1, 1];
  const hidden = spec.regions.find(({ id }) => id === spec.reference);
  if (!hidden) return { correction: paper ? gainCorrection(balance) : NO_CORRECTION, basis: paper ? 'white balance' : 'picture only' };
  // Without a known lightness only differences mean anything; they are taken around ordinary plastic, so
  // that the colour of the light does not stretch or squeeze them.
  const plain = new ColourTable(gainCorrection(balance));
  try {
    const index = spec.regions.indexOf(hidden);
    const { robust } = countRegion(picture, plain, hidden.id, hidden.polygon, `regions[${index}].polygon`);
    const found = labToLinear(robust.lab);
    const wanted = labToLinear(UNKNOWN_PLASTIC);
    const gains = paper ? balance.map((g) => (g * wanted[1]) / found[1]) : wanted.map((w, c) => w / Math.max(1e-4, found[c]!));
    return { correction: gainCorrection(gains), basis: paper ? 'white balance' : 'picture only' };
  } finally {
    plain.release();
  }
}

/** Gains that make paper neutral and keep its green. */
function paperBalance(readings: readonly PatchReading[]): number[] {
  const mean = [0, 1, 2].map((c) => readings.reduce((sum, r) => sum + r.mean[c]!, 0)) as unknown as LinearRgb;
  return mean.map((v) => mean[1] / Math.max(1e-4, v));
}

function countRegion(picture: Picture, table: ColourTable, id: string, polygon: MeasureSpec['regions'][number]['polygon'], field: string): Region {
  const runs = polygonRuns(polygon, picture.width, picture.height);
  if (runs.pixelCount < SMALLEST_REGION_PX)
    throw new Refusal(field, `“${id}” covers only ${runs.pixelCount} pixels. Draw it larger: at least ${SMALLEST_REGION_PX} pixels.`);
  const { ids, counts } = table.numberPixels(picture, runs, field);
  return { id, runs, ids, counts, robust: robustColour(table.lab(), counts, table.size) };
}

function refuseColourless(table: ColourTable): void {
  for (let id = 0; id < table.size; id++) {
    const code = table.code(id);
    if (code >> 16 !== ((code >> 8) & 255) || code >> 16 !== (code & 255)) return;
  }
  throw new Refusal('regions', 'This picture is grey-scale: it holds no colour to measure. Take it in colour.');
}

function mapRegion(table: ColourTable, region: Region, reference: Lab | null, isReference: boolean, basis: Basis): { result: RegionResult; map: RegionMap } {
  const { robust, runs, ids } = region;
  const against = reference ?? robust.lab;
  const cells = cellsFor(runs);
  const deltaE = fillMap(table, region, against, cells);
  for (let c = 0; c < cells.weight.length; c++) {
    const weight = cells.weight[c]!;
    if (weight === 0) continue;
    cells.deltaE[c]! /= weight;
    cells.deltaB[c]! /= weight;
    cells.lightness[c]! /= weight;
  }
  const speaking = speakingCells(cells);
  const sigma = Math.max(0.8, BLOTCH_SIGMA * cells.columns);
  const smoothE = lowPass(cells, cells.deltaE, sigma);
  const even = evenness(cells, speaking);
  const farthest = speaking.reduce((worst, c) => (worst < 0 || smoothE[c]! > smoothE[worst]! ? c : worst), -1);
  const difference = reference ? (isReference ? 0 : deltaE00(robust.lab, reference)) : null;
  const deltaL = reference ? robust.lab[0] - reference[0] : null;
  const deltaB = reference ? robust.lab[2] - reference[2] : null;
  const absolute = basis === 'card';
  return {
    result: {
      id: region.id,
      lab: absolute ? robust.lab : null,
      yellownessIndex: absolute ? yellownessIndexOfLab(robust.lab) : null,
      deltaE00: difference,
      deltaL,
      deltaB,
      evenness: even,
      blotch: spread(smoothE, speaking),
      streak: streak(cells, lowPass(cells, cells.deltaB, sigma), speaking),
      usedShare: robust.usedCount / Math.max(1, ids.length),
      worst:
        farthest < 0
          ? null
          : {
              x: Math.round(cells.left + ((farthest % cells.columns) + 0.5) * cells.cellPx),
              y: Math.round(cells.top + (Math.floor(farthest / cells.columns) + 0.5) * cells.cellPx),
              deltaE00: smoothE[farthest]!,
            },
      verdict: difference === null || deltaL === null || deltaB === null || isReference ? null : judge(difference, deltaL, deltaB, even),
    },
    map: { id: region.id, deltaE, runs, cells },
  };
}

/** ΔE00 of each pixel, and sums over cells of what is the piece. The pixel loop: one table look-up each. */
function fillMap(table: ColourTable, { runs, ids, counts, robust }: Region, reference: Lab, cells: CellMap): Float32Array {
  const labs = table.lab();
  const difference = differenceTo(reference);
  // Four numbers a colour side by side: ΔE00, weight (1 inside the limits), Δb*, L*.
  const facts = new Float32Array(4 * robust.used.length);
  for (let id = 0; id < robust.used.length; id++) {
    if (counts[id]! === 0) continue;
    facts[4 * id] = difference(labs[3 * id]!, labs[3 * id + 1]!, labs[3 * id + 2]!);
    facts[4 * id + 1] = robust.used[id]!;
    facts[4 * id + 2] = labs[3 * id + 2]! - reference[2];
    facts[4 * id + 3] = labs[3 * id]!;
  }
  const out = new Float32Array(ids.length);
  const { triples } = runs;
  const { cellPx, columns, weight, deltaE, deltaB, lightness } = cells;
  let at = 0;
  for (let t = 0; t < triples.length; t += 3) {
    const row = (((triples[t]! - cells.top) / cellPx) | 0) * columns;
    const to = triples[t + 2]!;
    for (let x = triples[t + 1]!; x < to; ) {
      const column = ((x - cells.left) / cellPx) | 0;
      const until = Math.min(to, cells.left + (column + 1) * cellPx);
      let n = 0;
      let e = 0;
      let b = 0;
      let l = 0;
      for (; x < until; x++) {
        const fact = 4 * ids[at]!;
        const de = facts[fact]!;
        out[at++] = de;
        if (facts[fact + 1] === 0) continue;
        n++;
        e += de;
        b += facts[fact + 2]!;
        l += facts[fact + 3]!;
      }
      const cell = row + column;
      weight[cell]! += n;
      deltaE[cell]! += e;
      deltaB[cell]! += b;
      lightness[cell]! += l;
    }
  }
  return out;
}

function regionWarnings(table: ColourTable, region: Region, cells: CellMap): string[] {
  const warnings: string[] = [];
  let clipped = 0;
  let dark = 0;
  for (let id = 0; id < region.counts.length && id < table.size; id++) {
    const count = region.counts[id]!;
    if (count === 0) continue;
    const code = table.code(id);
    const high = Math.max(code >> 16, (code >> 8) & 255, code & 255);
    if (high >= CLIPPED_CODE) clipped += count;
    if (high < 40) dark += count;
  }
  const share = (n: number) => n / region.ids.length;
  const percent = (n: number) => `${Math.round(100 * share(n))} %`;
  if (share(clipped) > CLIPPED_SHARE)
    warnings.push(`${percent(clipped)} of “${region.id}” is burnt out. Take the picture a stop darker, without glare.`);
  if (share(dark) > 0.5 || region.robust.lab[0] < DARK_LIGHTNESS)
    warnings.push(`“${region.id}” is too dark to measure well. Use more light or a longer exposure.`);
  const change = lightChange(cells, speakingCells(cells));
  if (change > LIGHT_CHANGE_LIMIT)
    warnings.push(`The light changes by about ${Math.round(100 * change)} % across “${region.id}”. Turn the piece or use light from farther away.`);
  return warnings;
}

function basisWarnings(basis: Basis, hasReference: boolean, residual: number | null): string[] {
  const warnings: string[] = [];
  if (basis === 'picture only') warnings.push('No card in the picture: only differences within it are reported, not colours. Lay a neutral grey card beside the piece.');
  if (basis === 'white balance') warnings.push('Paper is neutral but of unknown lightness: only differences within the picture are reported. A grey card gives colours too.');
  if (!hasReference) warnings.push('No hidden patch is marked, so there is no distance to go. Mark plastic that never saw light.');
  if (residual !== null && residual > 2.5)
    warnings.push(`The card patches do not agree with their known colours (ΔE00 ${residual.toFixed(1)} left). Check which patch is which, and that no shadow falls on the card.`);
  return warnings;
}

