import { median, quantile } from '../numbers';
import type { LinearRgb } from '../colour/types';
import { Refusal } from '../refusal';
import { canBeSameFace, faceOf, type Face } from './face';
import { heatColour } from '../picture/heatMap';
import type { Point } from '../picture/picture';
import { changeBetween, placeOnPlane, regionLight } from '../picture/plane';
import { correctionAsFirst, showSamePatches, type Shown } from '../picture/relight';

/** What changed on a face between two pictures of it, on its own plane. */
export interface FaceChange {
  columns: number;
  rows: number;
  /** ΔE00 between the two, and yellow that is left, as RGBA pixels, one a cell; clear where edges and print say nothing. */
  change: Uint8ClampedArray<ArrayBuffer>;
  left: Uint8ClampedArray<ArrayBuffer>;
  /** How far each place has come: dark teal where it is there, rust where nothing went yet. */
  progress: Uint8ClampedArray<ArrayBuffer>;
  /** Share of the way that the middle of the face has come, 0 to 1. */
  come: number;
  /** Median and 95th percentile of the change, ΔE00. */
  median: number;
  most: number;
  /** Share of the cells where it got yellower by more than can be mismeasured. */
  yellower: number;
}

const COLUMNS = 240;
/** The heat map's far end. */
const FULL_HEAT = 20;
/** Yellower by more than this is more than a measurement is unsure by. */
const YELLOWER_B = 2;

interface Ids {
  piece: string;
  hidden: string;
}

/** The hidden patch where a measurement marked it: its light, and its place on the face. */
function hiddenPatch(
  { picture, spec }: Shown,
  { correction, corners }: Face,
  id: string,
): { light: LinearRgb; at: Point } | null {
  const polygon = spec.regions.find((region) => region.id === id)?.polygon;
  return polygon ? { light: regionLight(picture, polygon, correction), at: placeOnPlane(corners, polygon) } : null;
}

/**
 * Lays a later picture of a face over the first one.
 *
 * @param targetB b* that it should come to; the least of the later picture where that is not known
 * @param onProgress 0 to 1
 * @throws Refusal where the corners are no corners, or where they show different faces
 */
export function faceChange(
  first: Shown,
  later: Shown,
  targetB: number | null,
  ids: Ids,
  onProgress: (share: number) => void = () => {},
): FaceChange {
  const before = faceOf(first.picture, first.spec, ids.piece, COLUMNS);
  onProgress(0.3);
  const after = faceOf(later.picture, later.spec, ids.piece, COLUMNS, {
    shape: before.shape,
    correctionOf: (own) =>
      correctionAsFirst({ ...first, correction: before.correction }, { ...later, correction: own }, ids.hidden),
  });
  onProgress(0.6);
  if (!canBeSameFace(before, after))
    throw new Refusal(
      'pieceId',
      'The first and the newest picture do not show the same face: their outlines differ, or what is on them lies elsewhere. Measure the same face again, outlined to its corners.',
    );
  // Where both show the same card too, all of these set the level already: one patch alone would add its own rounding.
  const [then, now] = showSamePatches(first, later, ids.hidden)
    ? []
    : [hiddenPatch(first, before, ids.hidden), hiddenPatch(later, after, ids.hidden)];
  const found = changeBetween(
    before.plane,
    after.plane,
    then && now ? { first: then.light, later: now.light, at: now.at } : undefined,
  );
  onProgress(0.9);
  const { columns, rows, deltaE } = found;
  const spoken = [...deltaE.keys()].filter((cell) => !Number.isNaN(deltaE[cell]!));
  const changes = spoken.map((cell) => deltaE[cell]!);
  const target = targetB ?? Math.min(...spoken.map((cell) => found.after[cell]!));
  const shown = (of: (cell: number) => number) => {
    const pixels = new Uint8ClampedArray(4 * columns * rows);
    for (const cell of spoken) pixels.set([...heatColour(of(cell)), 255], 4 * cell);
    return pixels;
  };
  // A place that was there from the start has nothing to come; it counts as there.
  const comeOf = (cell: number) => {
    const away = found.before[cell]! - target;
    return away < 1 ? 1 : Math.min(1, Math.max(0, (found.before[cell]! - found.after[cell]!) / away));
  };
  return {
    columns,
    rows,
    progress: shown((cell) => FULL_HEAT * (1 - comeOf(cell))),
    come: median(spoken.map(comeOf)) ?? 0,
    change: shown((cell) => deltaE[cell]!),
    left: shown((cell) => Math.max(0, found.after[cell]! - target)),
    median: median(changes) ?? 0,
    most: quantile(changes, 0.95) ?? 0,
    yellower:
      spoken.filter((cell) => found.after[cell]! - found.before[cell]! > YELLOWER_B).length /
      Math.max(1, spoken.length),
  };
}
