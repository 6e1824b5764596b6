import { anyColour } from './anyColour';
import { deltaE00 } from '../colour/difference';
import { labToLinear, srgbToLab, yellownessIndexOfLab } from '../colour/lab';
import type { Lab, LinearRgb } from '../colour/types';
import { Refusal } from '../refusal';
import { evenness, lightChange, lowPass, plasticCells, speakingCells, spread, streak, type CellMap } from './cells';
import { countColours, withColourTable, type RegionColours } from './colourTable';
import { deltaMap, resetScratch, type RegionMap } from './deltaMap';
import {
  fitCorrection,
  gainCorrection,
  underLight,
  NO_CORRECTION,
  residualDeltaE00,
  type Correction,
} from './correction';
import { CLIPPED_CODE, CLIPPED_SHARE, readPatch, residualPatches, type PatchReading } from './patches';
import { pixelWords, type Picture, type Rect } from './picture';
import { benchLight, evenLight, type BenchLight } from './benchLight';
import { overlapShare, polygonRuns, rectPolygon, type Runs } from './polygon';
import { robustColour, type RobustColour } from './robust';
import { sdOfDistance, type SureFacts } from './sure';
import { isBlurred } from './sharpness';
import type { MeasureSpec } from './spec';
import type { Warning } from './warnings';
import { nameFault, type FaceMap, type Fault } from '../face/fault';
import { isOneColour, isSeveralParts, isSure, judge, type Verdict, type VerdictErrors } from '../face/verdict';

interface RegionResult {
  id: string;
  /** Median colour; `null` where the picture has no card of known colour. */
  lab: Lab | null;
  yellownessIndex: number | null;
  /** To the reference; `null` without one, and for the reference itself 0. */
  deltaE00: number | null;
  deltaL: number | null;
  deltaB: number | null;
  /** One standard deviation of `deltaB` and of `deltaE00`; missing without a reference, and in what was measured before Kvell worked them out. */
  sdB?: number;
  sdDeltaE00?: number;
  evenness: number;
  blotch: number;
  streak: { coherence: number; angleDeg: number };
  /** Share of the region's pixels inside the robust limits. */
  usedShare: number;
  /** Cell farthest from the reference, picture pixels, with its ΔE00. */
  worst: { x: number; y: number; deltaE00: number } | null;
  verdict: Verdict | null;
  /** Whether the verdict stands with its figures as far off as they may be; missing where there is none, and in older measurements. */
  sure?: boolean;
  /** What kind of unevenness it shows; missing in what was measured before Kvell named it. */
  fault?: Fault;
}

/** What the numbers stand on: a card of known colour, white balance alone, or nothing but the picture. */
export type Basis = 'card' | 'white balance' | 'picture only';

export interface MeasureResult {
  regions: RegionResult[];
  card: { patches: number; residualDeltaE00: number | null; method: Correction['method'] };
  basis: Basis;
  warnings: Warning[];
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
/** The light falls off by more than this over the picture: a lamp that stands too near. */
const LAMP_CHANGE_LIMIT = 0.3;
/** Low-pass width of the blotch score, as a share of the piece's width. */
const BLOTCH_SIGMA = 0.02;

interface Region {
  id: string;
  runs: Runs;
  colours: RegionColours;
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
export function measurePicture(
  picture: Picture,
  spec: MeasureSpec,
  onProgress: (share: number) => void = () => {},
): Measured {
  checkSpec(picture, spec);
  resetScratch();
  const warnings: Warning[] = [];
  const light = benchLight(picture, [
    ...spec.regions.map(({ polygon }) => polygon),
    ...spec.card.map(({ rect }) => rectPolygon(widened(rect))),
  ]);
  const readings = readCard(picture, spec, light);
  const { correction, basis } = lightCorrection(picture, spec, readings, light);
  onProgress(0.05);
  const words = pixelWords(picture);
  const done = (step: number) => onProgress(0.05 + (0.95 * step) / (spec.regions.length + 1));
  const reading = (index: number) => readRegion(picture, words, spec, index, correction, light);
  const hiddenIndex = spec.regions.findIndex(({ id }) => id === spec.reference);
  const hiddenRegion = hiddenIndex < 0 ? null : withColourTable((table) => splitUse(reading(hiddenIndex)(table)));
  const hidden = hiddenRegion ? hiddenRegion.robust.lab : null;
  // A colour from another picture can be compared with only where the card makes colours of both.
  const reference = hidden ?? (basis === 'card' ? (spec.referenceLab ?? null) : null);
  done(1);
  const known = spec.card.flatMap((patch, i) => (patch.kind === 'known' ? [{ patch, reading: readings[i]! }] : []));
  const residual =
    basis === 'card'
      ? residualDeltaE00(
          correction,
          residualPatches(
            known.map(({ patch }) => patch),
            known.map(({ reading: read }) => read),
          ),
        )
      : null;
  const cardLs = known.map(({ patch }) => srgbToLab(patch.srgb)[0]);
  const factsOf = ({ runs, robust }: Region, cells: CellMap, hiddenOf: Region | null, hiddenLab: Lab): SureFacts => {
    const [x, y] = centreOf(runs);
    const [hx, hy] = hiddenOf ? centreOf(hiddenOf.runs) : [x, y];
    const across = Math.max(runs.right - runs.left, runs.bottom - runs.top);
    return {
      method: basis === 'card' ? correction.method : 'none',
      patches: known.length,
      residual: residual ?? 0,
      piece: robust.lab,
      hidden: hiddenLab,
      nearestL: cardLs.length
        ? cardLs.reduce((near, l) => (Math.abs(l - hiddenLab[0]) < Math.abs(near - hiddenLab[0]) ? l : near))
        : null,
      light,
      ownChange: (lightChange(cells, speakingCells(cells)) * picture.width) / across,
      otherPicture: hiddenOf === null,
      away: Math.hypot(x - hx, y - hy) / picture.width,
      pixels: [robust.usedCount, hiddenOf?.robust.usedCount ?? robust.usedCount],
    };
  };
  const maps: RegionMap[] = [];
  let coloured = false;
  const regions = spec.regions.map(({ id }, i) => {
    const region = withColourTable((table) => {
      const found = reading(i)(table);
      maps.push(
        deltaMap(
          id,
          table,
          words,
          picture.width,
          found.runs,
          found.colours,
          found.robust,
          reference ?? found.robust.lab,
        ),
      );
      return splitUse(found);
    });
    coloured ||= hasColour(region.colours);
    const { cells } = maps[i]!;
    const change = lightChange(cells, speakingCells(cells));
    if (light) evenLight(cells, light, centreOf(region.runs), region.robust.lab);
    warnings.push(...regionWarnings(region, cells, change, light));
    done(i + 2);
    const found = regionResult(region, cells, reference, id === spec.reference, basis);
    const result =
      reference && id !== spec.reference
        ? withErrors(found, sdOfDistance(factsOf(region, cells, hiddenRegion, reference)))
        : found;
    if (id !== spec.reference && isSeveralParts(result.evenness))
      warnings.push({ kind: 'several parts', region: id, spreadB: result.evenness });
    return result;
  });
  // A grey piece beside a grey card is no grey-scale picture, as long as something on it has colour.
  if (!coloured && !anyColour(picture))
    throw new Refusal('regions', 'This picture is grey-scale: it holds no colour to measure. Take it in colour.');
  warnings.push(...basisWarnings(basis, reference !== null, residual));
  if (isBlurred(picture)) warnings.push({ kind: 'blurred' });
  return {
    result: {
      regions,
      card: { patches: spec.card.length, residualDeltaE00: residual, method: correction.method },
      basis,
      warnings,
    },
    maps,
  };
}

const splitUse = (region: Region) => ({ result: region, used: region.colours });

/** Counts one region's colours into a table lent to it. */
function readRegion(
  picture: Picture,
  words: Uint32Array,
  spec: MeasureSpec,
  index: number,
  correction: Correction,
  light: BenchLight | null = null,
): (table: Uint32Array) => Region {
  const { id, polygon, holes = [] } = spec.regions[index]!;
  const field = `regions[${index}].polygon`;
  const runs = polygonRuns(polygon, picture.width, picture.height, holes);
  if (runs.pixelCount < SMALLEST_REGION_PX)
    throw new Refusal(
      field,
      `“${id}” covers only ${runs.pixelCount} pixels. Draw it larger: at least ${SMALLEST_REGION_PX} pixels.`,
    );
  const here = light ? underLight(correction, light.at(...centreOf(runs))) : correction;
  return (table) => {
    const colours = countColours(table, words, picture.width, runs, here, field);
    return { id, runs, colours, robust: robustColour(colours.labs, colours.counts, colours.size) };
  };
}

/** Patches as they would be read in the middle of the picture's light. */
function readCard(picture: Picture, spec: MeasureSpec, light: BenchLight | null): PatchReading[] {
  return spec.card.map(({ rect }, i) => {
    const reading = readPatch(picture, rect, `card[${i}]`);
    if (!light) return reading;
    const [x, y, w, h] = rect;
    const there = light.at(x + w / 2, y + h / 2);
    const even = (rgb: LinearRgb) => rgb.map((v, c) => v / there[c]!) as unknown as LinearRgb;
    return { mean: even(reading.mean), quarters: reading.quarters.map(even) };
  });
}

/** A card has a rim, and a shadow beside it. */
const widened = ([x, y, w, h]: Rect): Rect => [x - 0.3 * w, y - 0.3 * h, 1.6 * w, 1.6 * h];

/** Middle of a region, pixels. */
function centreOf({ triples, pixelCount }: Runs): [number, number] {
  let [sumX, sumY] = [0, 0];
  for (let t = 0; t < triples.length; t += 3) {
    const length = triples[t + 2]! - triples[t + 1]!;
    sumX += (length * (triples[t + 1]! + triples[t + 2]!)) / 2;
    sumY += length * triples[t]!;
  }
  return [sumX / pixelCount, sumY / pixelCount];
}

function hasColour({ codes, size }: RegionColours): boolean {
  for (let id = 0; id < size; id++) {
    const code = codes[id]!;
    if (code >> 16 !== ((code >> 8) & 255) || code >> 16 !== (code & 255)) return true;
  }
  return false;
}

function checkSpec(picture: Picture, spec: MeasureSpec): void {
  const inPicture = ([x, y]: readonly [number, number]) =>
    x >= -0.5 && y >= -0.5 && x <= picture.width + 0.5 && y <= picture.height + 0.5;
  spec.regions.forEach(({ id, polygon }, i) => {
    if (!polygon.every(inPicture))
      throw new Refusal(
        `regions[${i}].polygon`,
        `“${id}” reaches outside the picture (${picture.width} × ${picture.height} pixels). Draw its corners inside.`,
      );
  });
  if (spec.reference === undefined) return;
  const hidden = spec.regions.find(({ id }) => id === spec.reference);
  if (!hidden)
    throw new Refusal(
      'reference',
      `There is no region called “${spec.reference}” to compare with. Name one of: ${spec.regions.map(({ id }) => id).join(', ')}.`,
    );
  spec.card.forEach(({ rect }, i) => {
    if (overlapShare(hidden.polygon, rect) > 0.05)
      throw new Refusal(
        `card[${i}].rect`,
        'The hidden patch is drawn on the card. The hidden patch is bare plastic that never saw light; draw it on the piece.',
      );
  });
}

/** What undoes the light of a picture, from its card. @throws Refusal where a patch cannot be read */
export const correctionOf = (picture: Picture, spec: MeasureSpec): { correction: Correction; basis: Basis } =>
  lightCorrection(picture, spec, readCard(picture, spec, null), null);

function lightCorrection(
  picture: Picture,
  spec: MeasureSpec,
  readings: PatchReading[],
  light: BenchLight | null,
): { correction: Correction; basis: Basis } {
  const known = spec.card.flatMap(({ kind, srgb }, i) =>
    kind === 'known' ? [{ srgb, measured: readings[i]!.mean }] : [],
  );
  if (known.length > 0) return { correction: fitCorrection(known), basis: 'card' };
  const paper = spec.card.length > 0;
  const balance = paper ? paperBalance(readings) : [1, 1, 1];
  const hidden = spec.regions.find(({ id }) => id === spec.reference);
  if (!hidden)
    return {
      correction: paper ? gainCorrection(balance) : NO_CORRECTION,
      basis: paper ? 'white balance' : 'picture only',
    };
  // Without a known lightness only differences mean anything; they are taken around ordinary plastic, so
  // that the colour of the light does not stretch or squeeze them.
  const balanced = readRegion(
    picture,
    pixelWords(picture),
    spec,
    spec.regions.indexOf(hidden),
    gainCorrection(balance),
    light,
  );
  const { robust } = withColourTable((table) => splitUse(balanced(table)));
  const found = labToLinear(robust.lab);
  const wanted = labToLinear(UNKNOWN_PLASTIC);
  const gains = paper
    ? balance.map((g) => (g * wanted[1]) / found[1])
    : wanted.map((w, c) => w / Math.max(1e-4, found[c]!));
  return { correction: gainCorrection(gains), basis: paper ? 'white balance' : 'picture only' };
}

/** Gains that make paper neutral and keep its green. */
function paperBalance(readings: readonly PatchReading[]): number[] {
  const mean = [0, 1, 2].map((c) => readings.reduce((sum, r) => sum + r.mean[c]!, 0)) as unknown as LinearRgb;
  return mean.map((v) => mean[1] / Math.max(1e-4, v));
}

/** Whether most of a region is of one colour, so that what was left out does not decide. */
const speaks = ({ usedCount }: RobustColour, { pixelCount }: Runs): boolean => isOneColour(usedCount / pixelCount);

function regionResult(
  { id, runs, robust }: Region,
  cells: CellMap,
  reference: Lab | null,
  isReference: boolean,
  basis: Basis,
): RegionResult {
  const speaking = plasticCells(cells);
  const sigma = Math.max(0.8, BLOTCH_SIGMA * cells.columns);
  const [smoothE, smoothB] = lowPass(cells, [cells.deltaE, cells.deltaB], sigma) as [Float32Array, Float32Array];
  const even = evenness(cells, speaking);
  const farthest = speaking.reduce((worst, c) => (worst < 0 || smoothE[c]! > smoothE[worst]! ? c : worst), -1);
  const difference = reference ? (isReference ? 0 : deltaE00(robust.lab, reference)) : null;
  const deltaL = reference ? robust.lab[0] - reference[0] : null;
  const deltaB = reference ? robust.lab[2] - reference[2] : null;
  const absolute = basis === 'card';
  const fault = isReference || isSeveralParts(even) ? null : nameFault(faceMap(cells, speaking));
  return {
    id,
    lab: absolute ? robust.lab : null,
    yellownessIndex: absolute ? yellownessIndexOfLab(robust.lab) : null,
    deltaE00: difference,
    deltaL,
    deltaB,
    evenness: even,
    blotch: spread(smoothE, speaking),
    streak: streak(cells, smoothB, speaking),
    usedShare: robust.usedCount / runs.pixelCount,
    worst:
      farthest < 0
        ? null
        : {
            x: Math.round(cells.left + ((farthest % cells.columns) + 0.5) * cells.cellPx),
            y: Math.round(cells.top + (Math.floor(farthest / cells.columns) + 0.5) * cells.cellPx),
            deltaE00: smoothE[farthest]!,
          },
    verdict:
      difference === null || deltaL === null || deltaB === null || isReference || !speaks(robust, runs)
        ? null
        : outranked(judge(difference, deltaL, deltaB, even), fault),
    ...(fault && { fault }),
  };
}

/** What is named as a fault of a session is not done with, however well the whole of it matches. */
const outranked = (verdict: Verdict, fault: Fault | null): Verdict =>
  verdict === 'matched' && fault && fault.kind !== 'even' ? 'uneven' : verdict;

/** A result with its errors, and whether its verdict stands with them. */
function withErrors(found: RegionResult, errors: VerdictErrors): RegionResult {
  const { verdict, deltaE00: difference, deltaL, deltaB, evenness: even } = found;
  const { sdB, sdDeltaE00 } = errors;
  return {
    ...found,
    ...{ sdB, sdDeltaE00 },
    ...(verdict !== null && { sure: isSure(difference!, deltaL!, deltaB!, even, errors) }),
  };
}

/** Δb* of the cells that speak for the piece. */
function faceMap({ columns, rows, deltaB }: CellMap, speaking: readonly number[]): FaceMap {
  const values = new Float32Array(deltaB.length).fill(NaN);
  for (const cell of speaking) values[cell] = deltaB[cell]!;
  return { columns, rows, values };
}

function regionWarnings(
  { id: region, runs, colours, robust }: Region,
  cells: CellMap,
  change: number,
  light: BenchLight | null,
): Warning[] {
  const warnings: Warning[] = [];
  let clipped = 0;
  let dark = 0;
  for (let id = 0; id < colours.size; id++) {
    const count = colours.counts[id]!;
    const code = colours.codes[id]!;
    const high = Math.max(code >> 16, (code >> 8) & 255, code & 255);
    if (high >= CLIPPED_CODE) clipped += count;
    if (high < 40) dark += count;
  }
  const share = (n: number) => n / runs.pixelCount;
  if (share(clipped) > CLIPPED_SHARE) warnings.push({ kind: 'burnt out', region, share: share(clipped) });
  if (!speaks(robust, runs)) warnings.push({ kind: 'several colours', region, usedShare: share(robust.usedCount) });
  if (share(dark) > 0.5 || robust.lab[0] < DARK_LIGHTNESS) warnings.push({ kind: 'too dark', region });
  // What the bench shows is taken out; a lamp near by is a matter still, and so is what it leaves.
  const left = light ? lightChange(cells, speakingCells(cells)) : change;
  if (left > LIGHT_CHANGE_LIMIT || (light && light.changeShare > LAMP_CHANGE_LIMIT))
    warnings.push({ kind: 'light changes', region, share: change });
  return warnings;
}

/** Greater than this, the patches of a card do not agree with what they are said to be. */
const CARD_DISAGREES = 2.5;

function basisWarnings(basis: Basis, hasReference: boolean, residual: number | null): Warning[] {
  const warnings: Warning[] = [];
  if (basis === 'picture only') warnings.push({ kind: 'no card' });
  if (basis === 'white balance') warnings.push({ kind: 'paper only' });
  if (!hasReference) warnings.push({ kind: 'no hidden patch' });
  if (residual !== null && residual > CARD_DISAGREES)
    warnings.push({ kind: 'card disagrees', residualDeltaE00: residual });
  return warnings;
}
