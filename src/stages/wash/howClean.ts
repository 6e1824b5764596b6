import type { SoiledFace } from '@/core/face/soiled';
import { homographyThrough, project, UNIT_SQUARE } from '@/core/picture/homography';
import type { Share } from '@/core/picture/picture';
import { Refusal } from '@/core/refusal';
import { measurementsOfPiece } from '@/data/measurements';
import { inPool } from '@/data/heavyPool';
import { cellsUrl, facesInTime } from '@/data/photos/face';

/** How clean a face is, before and after, and where something is left. Shares are of the cells that speak. */
export interface HowClean {
  /** It changed hardly at all, and most of it may be soiled. */
  unsure: boolean;
  before: number;
  after: number;
  /** Soil before and what is left, as pictures of the face on its own plane; gaps, edges and print are dark. */
  beforeUrl: string;
  afterUrl: string;
  /** The photograph after, to lay the map beside. */
  photoId: string;
  size: { width: number; height: number };
  /** What is left, spot by spot, each with its place on the photograph. */
  spots: { pin: Share; share: number; words: string }[];
}

const COLUMNS = 360;

/** Clean plastic pale, soil from amber to dark, and what says nothing grey. */
const mapUrl = (face: SoiledFace): Promise<string> =>
  cellsUrl(face, (cell) => {
    const depth = face.depth[cell]!;
    if (Number.isNaN(depth)) return [122, 122, 116];
    return depth === 0 ? [236, 233, 222] : [214 - 90 * depth, 122 - 92 * depth, 40 - 30 * depth];
  });

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
  const faces = await facesInTime(first, last, COLUMNS);
  if (!faces)
    throw new Refusal(
      'pieceId',
      'Before and after do not show the same face: their outlines differ, or what is on them lies elsewhere. Measure the same face again, outlined to its corners.',
    );
  const [then, now] = faces;
  const { before, after, unsure, left } = await inPool('soiled', { before: then.plane, after: now.plane });
  const { width, height } = now.size;
  const onPhoto = homographyThrough(UNIT_SQUARE, now.corners);
  return {
    unsure,
    before: before.share,
    after: after.share,
    beforeUrl: await mapUrl(before),
    afterUrl: await mapUrl(after),
    photoId: last.photoId,
    size: now.size,
    spots: left.map(({ share, across, down, where }) => {
      const [x, y] = project(onPhoto, [across, down]);
      return {
        share,
        pin: { x: x / width, y: y / height },
        words: `left over ${where}, ${(100 * share).toFixed(1)} % of the face`,
      };
    }),
  };
}
