import type { Piece } from './rows';
import { findColumns, findRows } from './table';
import type { PieceSize } from '@/core/size';

/** Its three sides; `null` where one is missing. */
export const sizeOf = ({
  lengthMm,
  widthMm,
  heightMm,
}: Pick<Piece, 'lengthMm' | 'widthMm' | 'heightMm'>): PieceSize | null =>
  lengthMm !== null && widthMm !== null && heightMm !== null ? { lengthMm, widthMm, heightMm } : null;

/** What stands for the metal of a piece that nobody described. */
const SOME_METAL = 'what the teardown has not taken out yet';

/** Pieces as they stand: what holds metal only until the machine is apart holds none once the teardown is settled. */
async function asTheyStand(pieces: readonly Piece[]): Promise<Piece[]> {
  const waiting = pieces.filter(({ metalUntilApart }) => metalUntilApart).map(({ restorationId }) => restorationId);
  const whole =
    waiting.length === 0
      ? []
      : await findRows('stages', { restorationId: [...new Set(waiting)], stage: 'teardown', state: 'open' });
  const stillWhole = new Set(whole.map(({ restorationId }) => restorationId));
  const isWhole = (id: string) => stillWhole.has(id);
  return pieces.map((piece) =>
    piece.metalUntilApart
      ? { ...piece, metalInside: isWhole(piece.restorationId) ? piece.metalInside || SOME_METAL : '' }
      : piece,
  );
}

/** One for all: made anew at each comparison it takes most of the time of a long list. */
const TAGS = new Intl.Collator('en', { numeric: true });
const byTag = (a: Pick<Piece, 'tag'>, b: Pick<Piece, 'tag'>): number => TAGS.compare(a.tag, b.tag);

/** In the order of their tags. */
export async function piecesOf(restorationId: string): Promise<Piece[]> {
  return piecesOfAll([restorationId]);
}

/** Those of several restorations, each in the order of their tags. */
export async function piecesOfAll(restorationIds: string[]): Promise<Piece[]> {
  const pieces = await asTheyStand(await findRows('pieces', { restorationId: restorationIds }));
  return pieces.sort(byTag);
}

/** Those of several restorations by tag and name alone, in the order of their tags. */
export async function piecesByName(
  restorationIds: string[],
): Promise<Pick<Piece, 'id' | 'restorationId' | 'tag' | 'name'>[]> {
  return (await findColumns('pieces', ['id', 'restorationId', 'tag', 'name'], { restorationId: restorationIds })).sort(
    byTag,
  );
}

/** Those with these ids that are still there. */
export const findPieces = async (ids: string[]): Promise<Piece[]> => asTheyStand(await findRows('pieces', { id: ids }));

export async function findPiece(id: string): Promise<Piece | null> {
  const [piece] = await asTheyStand(await findRows('pieces', { id }));
  return piece ?? null;
}
