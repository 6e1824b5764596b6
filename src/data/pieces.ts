import type { Transaction } from 'sequelize';
import { knownSurface, type SurfaceId } from '@/core/cleaning/surfaces';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from './cleaning';
import { inTransaction } from './connection';
import { reopenAsked } from './findings';
import { appendLog } from './log';
import type { Piece } from './rows';
import { addRow, changeRow, findRow, findRows, needRow } from './table';

type Later = 'aim' | 'worthKeeping' | 'surfaces' | 'hollow';
export type NewPiece = Omit<Piece, 'id' | 'hiddenLab' | Later> & Partial<Pick<Piece, Later>>;

/** What is not known yet of a piece. */
export const PLAIN: Pick<Piece, Later> = { aim: null, worthKeeping: '', surfaces: [], hollow: false };

/** In the order of their tags. */
export async function piecesOf(restorationId: string): Promise<Piece[]> {
  const pieces = await findRows('pieces', { restorationId });
  return pieces.sort((a, b) => a.tag.localeCompare(b.tag, 'en', { numeric: true }));
}

export const findPiece = (id: string): Promise<Piece | null> => findRow('pieces', id);

/** @throws Refusal for a surface of somebody's own that is not in this workshop */
async function needsKnown(surfaces: readonly SurfaceId[], transaction: Transaction): Promise<void> {
  const own = await ownKnowledge(transaction);
  for (const surface of surfaces) knownSurface(surface, own.surfaces);
}

/** Adds a piece. @throws Refusal where its tag is taken in this restoration */
export async function addPiece(piece: NewPiece, now = new Date()): Promise<Piece> {
  return inTransaction(async (transaction) => {
    await needRow('restorations', piece.restorationId, transaction);
    const [taken] = await findRows('pieces', { restorationId: piece.restorationId, tag: piece.tag }, undefined, transaction);
    if (taken) throw new Refusal('tag', `Tag ${piece.tag} is already on ${taken.name}. Take the next free one.`);
    await needsKnown(piece.surfaces ?? [], transaction);
    const added = await addRow('pieces', { ...PLAIN, ...piece, hiddenLab: null }, transaction);
    await appendLog(
      {
        restorationId: piece.restorationId,
        stage: 'intake',
        kind: 'piece',
        words: `Piece ${piece.tag}: ${piece.name}, ${piece.plastic}, ${piece.finish}.`,
      },
      transaction,
      now,
    );
    return added;
  });
}

/** Changes what is known of a piece. */
export async function changePiece(id: string, changes: Omit<NewPiece, 'restorationId'>): Promise<void> {
  await inTransaction(async (transaction) => {
    const piece = await needRow('pieces', id, transaction);
    const [taken] = await findRows('pieces', { restorationId: piece.restorationId, tag: changes.tag }, undefined, transaction);
    if (taken && taken.id !== id) throw new Refusal('tag', `Tag ${changes.tag} is already on ${taken.name}. Take the next free one.`);
    await needsKnown(changes.surfaces ?? [], transaction);
    await changeRow('pieces', { id }, changes, transaction);
    await appendLog(
      {
        restorationId: piece.restorationId,
        stage: 'intake',
        kind: 'piece',
        words: `Piece ${changes.tag} changed.`,
        data: { before: piece, after: changes },
      },
      transaction,
    );
    await reopenAsked(piece.restorationId, new Date(), transaction);
  });
}
