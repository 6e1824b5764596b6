import sharp from 'sharp';
import { facePng, facesInTime, isNoFace } from '@/data/photos/face';
import { findPhoto } from '@/data/photos/store';
import type { Measurement } from '@/data/rows';
import { lastMade } from '@/edge/lastMade';
import { privateAreas } from './covered';
import type { PieceStory, Story } from './story';

/** Before and after of one face, on its own plane and in the card’s light, as PNG of the same size. */
export interface FacePair {
  before: Buffer;
  after: Buffer;
  /** The same two as JPEG, for paper. */
  onPaper: readonly [Buffer, Buffer];
  first: Measurement;
  last: Measurement;
}

/** Cells across. */
const COLUMNS = 640;

type Faces = Pick<FacePair, 'before' | 'after' | 'onPaper'>;

/** What a face is made of: its photographs by their content, and how it was measured; `null` where a photograph is gone. */
async function madeOf({ photoId, spec }: Measurement): Promise<string | null> {
  const photos = await Promise.all([photoId, spec.flatField ?? photoId].map(findPhoto));
  return photos.every((photo) => photo !== null) ? JSON.stringify([photos.map(({ hash }) => hash), spec]) : null;
}

const paperJpeg = (png: Buffer): Promise<Buffer> => sharp(png).jpeg({ quality: 85 }).toBuffer();

async function facesOf(first: Measurement, last: Measurement): Promise<Faces | null> {
  const faces = await facesInTime(first, last, COLUMNS);
  if (!faces) return null;
  const [before, after] = await Promise.all([facePng(faces[0].plane), facePng(faces[1].plane)]);
  const onPaper = await Promise.all([paperJpeg(before), paperJpeg(after)]);
  return { before, after, onPaper };
}

const MOST_BYTES = 64 * 1024 * 1024;

/** What went out last: a record goes out in many forms, with the same faces in each. */
const FACES = lastMade(
  MOST_BYTES,
  ({ before, after, onPaper }: Faces) => [before, after, ...onPaper].reduce((sum, { length }) => sum + length, 0),
  async ([first, last]: readonly [Measurement, Measurement]) => (await facesOf(first, last)) ?? undefined,
);

/** The first and the last measured face of a piece; `null` with fewer than two, or where they show different faces or a photograph is gone. */
async function facePair({ first, last }: PieceStory): Promise<FacePair | null> {
  if (!first || !last || first === last) return null;
  try {
    const names = await Promise.all([madeOf(first), madeOf(last)]);
    if (names.includes(null)) return null;
    const name = names.join(' ');
    const faces = await FACES.fetch(name, { context: [first, last] });
    return faces ? { ...faces, first, last } : null;
  } catch (failure) {
    if (isNoFace(failure)) return null;
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
