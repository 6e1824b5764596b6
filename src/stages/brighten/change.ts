import { canBeSameFace } from '@/core/photo/face';
import { heatColour } from '@/core/photo/heatMap';
import { changeBetween, regionLight } from '@/core/photo/plane';
import { correctionAsFirst } from '@/core/photo/relight';
import type { LinearRgb } from '@/core/colour/types';
import { Refusal } from '@/core/refusal';
import { HIDDEN_REGION, measurementsOfPiece } from '@/data/measurements';
import { cellsUrl, measuredFace, type MeasuredFace } from '@/data/photos/face';
import { findPiece } from '@/data/pieces';
import type { Measurement } from '@/data/rows';

/** What changed on a face since the first measurement, on the face's own plane. */
export interface FaceChange {
  /** ΔE00 between the two, and yellow that is left, as pictures of the face; clear where edges and print say nothing. */
  changeUrl: string;
  leftUrl: string;
  /** Median and 95th percentile of the change, ΔE00. */
  median: number;
  most: number;
  /** Share of the cells where it got yellower by more than can be mismeasured. */
  yellower: number;
  firstAt: string;
  laterAt: string;
}

const COLUMNS = 240;
/** Yellower by more than this is more than a measurement is unsure by. */
const YELLOWER_B = 2;

/** Light of the hidden patch where a measurement marked it. */
function hiddenLight({ picture, correction }: MeasuredFace, { spec }: Measurement): LinearRgb | null {
  const polygon = spec.regions.find(({ id }) => id === HIDDEN_REGION)?.polygon;
  return polygon ? regionLight(picture, polygon, correction) : null;
}

/**
 * Lays the newest picture of a face over the first one.
 *
 * @throws Refusal with fewer than two, where the corners are no corners, or where they show different faces
 */
export async function whatChanged(pieceId: string): Promise<FaceChange> {
  const taken = (await measurementsOfPiece(pieceId)).filter(({ basis }) => basis === 'card');
  const [first, later] = [taken[0], taken[taken.length - 1]];
  if (!first || !later || first === later)
    throw new Refusal('pieceId', 'Two measurements with a card are needed. Measure the piece, expose it, and measure the same face again.');
  const before = await measuredFace(first, COLUMNS);
  const after = await measuredFace(later, COLUMNS, {
    shape: before.shape,
    correctionOf: (picture, own) =>
      correctionAsFirst(
        { picture: before.picture, spec: first.spec, correction: before.correction },
        { picture, spec: later.spec, correction: own },
        HIDDEN_REGION,
      ),
  });
  if (!canBeSameFace(before, after))
    throw new Refusal(
      'pieceId',
      'The first and the newest picture do not show the same face: their outlines differ, or what is on them lies elsewhere. Measure the same face again, outlined to its corners.',
    );
  const patches = { first: hiddenLight(before, first), later: hiddenLight(after, later) };
  const hidden = patches.first && patches.later ? { first: patches.first, later: patches.later } : undefined;
  const change = changeBetween(before.plane, after.plane, hidden);
  const target = (await findPiece(pieceId))?.hiddenLab?.[2] ?? Math.min(...change.after);
  const spoken = [...change.deltaE.keys()].filter((cell) => !Number.isNaN(change.deltaE[cell]!));
  const sorted = spoken.map((cell) => change.deltaE[cell]!).sort((a, b) => a - b);
  const shown = (of: (cell: number) => number) => cellsUrl(change, (cell) => (Number.isNaN(change.deltaE[cell]!) ? null : heatColour(of(cell))));
  return {
    changeUrl: await shown((cell) => change.deltaE[cell]!),
    leftUrl: await shown((cell) => Math.max(0, change.after[cell]! - target)),
    median: sorted[sorted.length >> 1] ?? 0,
    most: sorted[Math.floor(0.95 * sorted.length)] ?? 0,
    yellower: spoken.filter((cell) => change.after[cell]! - change.before[cell]! > YELLOWER_B).length / Math.max(1, spoken.length),
    firstAt: first.measuredAt,
    laterAt: later.measuredAt,
  };
}
