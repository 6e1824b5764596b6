import { knownSurface, type SurfaceId } from '@/core/materials/surfaces';
import { Refusal } from '@/core/refusal';
import type { PieceSize } from '@/core/size';
import { ownKnowledge } from './cleaning';
import { inTransaction } from './connection';
import { reopenAsked } from './findings';
import { appendLog } from './log';
import type { Piece } from './rows';
import { addRow, changeRow, findColumns, findRows, needRow } from './table';

type Later = 'aim' | 'worthKeeping' | 'surfaces' | 'hollow' | 'parts' | 'metalUntilApart';
export type NewPiece = Omit<Piece, 'id' | 'hiddenLab' | Later> & Partial<Pick<Piece, Later>>;

/** What is not known yet of a piece. */
export const PLAIN: Pick<Piece, Later> = {
  aim: null,
  worthKeeping: '',
  surfaces: [],
  hollow: false,
  parts: 1,
  metalUntilApart: false,
};

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
  const isWhole = (id: string) => whole.some(({ restorationId }) => restorationId === id);
  return pieces.map((piece) =>
    piece.metalUntilApart
      ? { ...piece, metalInside: isWhole(piece.restorationId) ? piece.metalInside || SOME_METAL : '' }
      : piece,
  );
}

const byTag = (a: Pick<Piece, 'tag'>, b: Pick<Piece, 'tag'>): number =>
  a.tag.localeCompare(b.tag, 'en', { numeric: true });

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

/** @throws Refusal for a surface of somebody's own that is not in this workshop */
async function needsKnown(surfaces: readonly SurfaceId[]): Promise<void> {
  const own = await ownKnowledge();
  for (const surface of surfaces) knownSurface(surface, own.surfaces);
}

/** Adds a piece. @throws Refusal where its tag is taken in this restoration */
export async function addPiece(piece: NewPiece, now: Date): Promise<Piece> {
  return inTransaction(async () => {
    await needRow('restorations', piece.restorationId);
    const [taken] = await findRows('pieces', { restorationId: piece.restorationId, tag: piece.tag });
    if (taken) throw new Refusal('tag', `Tag ${piece.tag} is already on ${taken.name}. Take the next free one.`);
    await needsKnown(piece.surfaces ?? []);
    const added = await addRow('pieces', { ...PLAIN, ...piece, hiddenLab: null });
    await appendLog(
      {
        restorationId: piece.restorationId,
        stage: 'intake',
        kind: 'piece',
        words: `Piece ${piece.tag}: ${piece.name}, ${piece.plastic}, ${piece.finish}.`,
      },
      now,
    );
    return added;
  });
}

/** Changes what is known of a piece. */
export async function changePiece(id: string, changes: Omit<NewPiece, 'restorationId'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const piece = await needRow('pieces', id);
    const [taken] = await findRows('pieces', { restorationId: piece.restorationId, tag: changes.tag });
    if (taken && taken.id !== id)
      throw new Refusal('tag', `Tag ${changes.tag} is already on ${taken.name}. Take the next free one.`);
    await needsKnown(changes.surfaces ?? []);
    await changeRow('pieces', { id }, changes);
    await appendLog(
      {
        restorationId: piece.restorationId,
        stage: 'intake',
        kind: 'piece',
        words: `Piece ${changes.tag} changed.`,
        data: { before: piece, after: changes },
      },
      now,
    );
    await reopenAsked(piece.restorationId, now);
  });
}
