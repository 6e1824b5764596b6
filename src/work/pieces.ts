import { reopenAsked } from './stages';
import { type SurfaceId, knownSurface } from '@/core/materials/surfaces';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from '@/data/cleaning';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Piece } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';

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

type Later = 'aim' | 'worthKeeping' | 'surfaces' | 'hollow' | 'parts' | 'metalUntilApart';

/** @throws Refusal for a surface of somebody's own that is not in this workshop */
async function needsKnown(surfaces: readonly SurfaceId[]): Promise<void> {
  const own = await ownKnowledge();
  for (const surface of surfaces) knownSurface(surface, own.surfaces);
}
