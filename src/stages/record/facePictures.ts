import { canBeSameFace } from '@/core/face/face';
import { Refusal } from '@/core/refusal';
import { facePng, measuredFace } from '@/data/photos/face';
import type { Measurement } from '@/data/rows';
import { privateAreas } from './covered';
import type { PieceStory, Story } from './story';

/** Before and after of one face, on its own plane and in the card’s light, as PNG of the same size. */
export interface FacePair {
  before: Buffer;
  after: Buffer;
  first: Measurement;
  last: Measurement;
}

/** Cells across. */
const COLUMNS = 640;

/** The first and the last measured face of a piece; `null` with fewer than two, or where they show different faces or a photograph is gone. */
async function facePair({ first, last }: PieceStory): Promise<FacePair | null> {
  if (!first || !last || first === last) return null;
  try {
    const then = await measuredFace(first, COLUMNS);
    const now = await measuredFace(last, COLUMNS, then.shape);
    if (!canBeSameFace(then, now)) return null;
    return { before: await facePng(then.plane), after: await facePng(now.plane), first, last };
  } catch (failure) {
    if (failure instanceof Refusal || (failure as { code?: string }).code === 'ENOENT') return null;
    throw failure;
  }
}

/** The pairs of all pieces that have one, by the id of the piece. */
export async function facePairs({ pieces, bundle }: Pick<Story, 'pieces' | 'bundle'>): Promise<Map<string, FacePair>> {
  const pairs = new Map<string, FacePair>();
  const covered = new Set(privateAreas(bundle.areas).map(({ photoId }) => photoId));
  for (const piece of pieces) {
    // Where something on the photograph is private, its face could show it.
    if ([piece.first, piece.last].some((one) => one && covered.has(one.photoId))) continue;
    const pair = await facePair(piece);
    if (pair) pairs.set(piece.piece.id, pair);
  }
  return pairs;
}
