import type { Srgb } from '@/core/colour/types';
import { dropWords, type DropUse } from '@/core/finish/dropUses';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { addRow, needRow } from '@/data/table';
import { needsOwnPhoto } from './parts';

/**
 * Keeps a test drop that set and was photographed.
 *
 * @throws Refusal for a piece or photograph of another machine
 */
export async function addDrop(
  drop: {
    restorationId: string;
    pieceId: string | null;
    use: DropUse;
    base: string;
    amounts: Record<string, number>;
    srgb: Srgb;
    beside: Srgb | null;
    photoId: string | null;
  },
  now: Date,
): Promise<string> {
  const { restorationId, pieceId, use, base, photoId } = drop;
  const amounts = Object.fromEntries(Object.entries(drop.amounts).filter(([, drops]) => drops > 0));
  return inTransaction(async () => {
    await needsOwnPhoto(restorationId, photoId);
    if (pieceId !== null && (await needRow('pieces', pieceId)).restorationId !== restorationId)
      throw new Refusal('pieceId', 'This piece belongs to another restoration. Choose one of this machine.');
    const { id } = await addRow('test_drops', { ...drop, amounts, at: now.toISOString() });
    await appendLog(
      {
        ...{ restorationId, stage: use === 'cast' ? ('mend' as const) : ('finish' as const), kind: 'test drop' },
        words: `Test drop of ${base}: ${dropWords(amounts)}.`,
        data: { testDropId: id },
      },
      now,
    );
    return id;
  });
}
