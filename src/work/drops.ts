import { DROP_STAGE, dropWords } from '@/core/finish/dropUses';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { TestDropRow } from '@/data/rows';
import { addRow } from '@/data/table';
import { needsOwnPhoto } from './mend/parts';
import { ownPiece } from './own';

export type NewDrop = Omit<TestDropRow, 'id' | 'at'>;

/**
 * Keeps a test drop that set and was photographed.
 *
 * @throws Refusal for a piece or photograph of another machine
 */
export async function addDrop(drop: NewDrop, now: Date): Promise<string> {
  const { restorationId, pieceId, use, base, photoId } = drop;
  const amounts = Object.fromEntries(Object.entries(drop.amounts).filter(([, drops]) => drops > 0));
  return inTransaction(async () => {
    await needsOwnPhoto(restorationId, photoId);
    if (pieceId !== null) await ownPiece(restorationId, pieceId);
    const { id } = await addRow('test_drops', { ...drop, amounts, at: now.toISOString() });
    await appendLog(
      {
        ...{ restorationId, stage: DROP_STAGE[use], kind: 'test drop' },
        words: `Test drop of ${base}: ${dropWords(amounts)}.`,
        data: { testDropId: id },
      },
      now,
    );
    return id;
  });
}
