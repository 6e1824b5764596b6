import sharp from 'sharp';
import { fourCorners, refineCorners } from '@/core/photo/corners';
import { heatColour } from '@/core/photo/heatMap';
import { correctionOf } from '@/core/photo/measure';
import type { Picture } from '@/core/photo/picture';
import { changeBetween, likeness, onPlane, regionLight, shapeOf, type FacePlane } from '@/core/photo/plane';
import { Refusal } from '@/core/refusal';
import { HIDDEN_REGION, measurementsOfPiece, PIECE_REGION } from '@/data/measurements';
import { decodePicture } from '@/data/photos/decode';
import { findPhoto, readOriginal } from '@/data/photos/store';
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
/** How far from the outline the edges of a face are looked for, as a share of the picture's width. */
const REACH = 0.012;
/** Two pictures less alike than this show different faces. */
const ALIKE = 0.35;
/** Yellower by more than this is more than a measurement is unsure by. */
const YELLOWER_B = 2;

async function pictureOf({ photoId }: Measurement): Promise<Picture> {
  const photo = await findPhoto(photoId);
  if (!photo) throw new Refusal('pieceId', 'A photograph of this piece is not here any more. Measure it again.');
  return decodePicture(await readOriginal(photo));
}

function faceOf(picture: Picture, { spec }: Measurement, shape?: number) {
  const outline = spec.regions.find(({ id }) => id === PIECE_REGION)?.polygon;
  if (!outline) throw new Refusal('pieceId', 'A measurement of this piece has no outline. Measure it again.');
  const corners = refineCorners(picture, fourCorners(outline), REACH * picture.width);
  const { correction } = correctionOf(picture, spec);
  const hidden = spec.regions.find(({ id }) => id === HIDDEN_REGION)?.polygon;
  const own = shape ?? shapeOf(corners);
  return { shape: own, plane: onPlane(picture, corners, correction, COLUMNS, own), hidden: hidden ? regionLight(picture, hidden, correction) : null };
}

async function asPicture(
  { columns, rows }: Pick<FacePlane, 'columns' | 'rows'>,
  colour: (cell: number) => readonly number[] | null,
): Promise<string> {
  const pixels = new Uint8Array(4 * columns * rows);
  for (let cell = 0; cell < columns * rows; cell++) {
    const found = colour(cell);
    if (found) pixels.set([...found.map(Math.round), 255], 4 * cell);
  }
  const png = await sharp(pixels, { raw: { width: columns, height: rows, channels: 4 } })
    .png()
    .toBuffer();
  return `data:image/png;base64,${png.toString('base64')}`;
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
  const before = faceOf(await pictureOf(first), first);
  const after = faceOf(await pictureOf(later), later, before.shape);
  if (likeness(before.plane, after.plane) < ALIKE)
    throw new Refusal(
      'pieceId',
      'The first and the newest picture do not show the same face: what is on them lies elsewhere. Measure the same face again, outlined to its corners.',
    );
  const hidden = before.hidden && after.hidden ? { first: before.hidden, later: after.hidden } : undefined;
  const change = changeBetween(before.plane, after.plane, hidden);
  const target = (await findPiece(pieceId))?.hiddenLab?.[2] ?? Math.min(...change.after);
  const spoken = [...change.deltaE.keys()].filter((cell) => !Number.isNaN(change.deltaE[cell]!));
  const sorted = spoken.map((cell) => change.deltaE[cell]!).sort((a, b) => a - b);
  const shown = (of: (cell: number) => number) => asPicture(change, (cell) => (Number.isNaN(change.deltaE[cell]!) ? null : heatColour(of(cell))));
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
