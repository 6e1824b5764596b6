import sharp from 'sharp';
import { faceCells, leftSpots, sameFace, soiledShare, type FaceCells } from '@/core/cleaning/soiled';
import type { Share } from '@/core/photo/picture';
import { Refusal } from '@/core/refusal';
import { measurementsOfPiece, PIECE_REGION } from '@/data/measurements';
import { decodePicture } from '@/data/photos/decode';
import { findPhoto, readOriginal } from '@/data/photos/store';
import type { Measurement } from '@/data/rows';

/** How clean a face is, before and after, and where something is left. */
export interface HowClean {
  before: number;
  after: number;
  /** What is left, as a picture of the face: clear where it is clean. */
  mapUrl: string;
  /** The photograph after, to lay the map beside. */
  photoId: string;
  size: { width: number; height: number };
  /** What is left, spot by spot, each with its place on the photograph. */
  spots: { pin: Share; words: string }[];
}

async function cellsOf({ photoId, spec }: Measurement): Promise<{ face: FaceCells; size: HowClean['size'] }> {
  const photo = await findPhoto(photoId);
  const outline = spec.regions.find(({ id }) => id === PIECE_REGION)?.polygon;
  if (!photo || !outline) throw new Refusal('pieceId', 'A photograph of this piece is not here any more. Measure it again.');
  const picture = await decodePicture(await readOriginal(photo));
  return { face: faceCells(picture, outline), size: { width: picture.width, height: picture.height } };
}

/** Cells in the hazard's colour, the stronger the darker the soil. */
async function mapPicture({ columns, rows }: FaceCells, depth: Float32Array): Promise<string> {
  const pixels = new Uint8Array(4 * depth.length);
  depth.forEach((share, cell) => pixels.set(share > 0 ? [168, 51, 11, 90 + Math.round(165 * share)] : [120, 130, 120, 40], 4 * cell));
  const png = await sharp(pixels, { raw: { width: columns, height: rows, channels: 4 } })
    .png()
    .toBuffer();
  return `data:image/png;base64,${png.toString('base64')}`;
}

/**
 * Compares the first and the newest measurement of a piece at the wash.
 *
 * @throws Refusal with fewer than two, or where they show different faces
 */
export async function howClean(pieceId: string): Promise<HowClean> {
  const taken = (await measurementsOfPiece(pieceId)).filter(({ stage }) => stage === 'wash');
  const [first, last] = [taken[0], taken[taken.length - 1]];
  if (!first || !last || first === last)
    throw new Refusal(
      'pieceId',
      'Two measurements at the wash are needed: one before, one after, of the same face. Measure the piece, wash it, and measure again.',
    );
  const [before, after] = [await cellsOf(first), await cellsOf(last)];
  if (!sameFace(before.face, after.face))
    throw new Refusal(
      'pieceId',
      'Before and after do not show the same face: their outlines differ. Measure the same face again, outlined in the same way.',
    );
  const left = soiledShare(after.face);
  return {
    before: soiledShare(before.face).share,
    after: left.share,
    mapUrl: await mapPicture(after.face, left.depth),
    photoId: last.photoId,
    size: after.size,
    spots: leftSpots(after.face, left.depth).map(({ share, middle: [x, y], where }) => ({
      pin: { x: x / after.size.width, y: y / after.size.height },
      words: `left over ${where}, ${(100 * share).toFixed(1)} % of the face`,
    })),
  };
}
