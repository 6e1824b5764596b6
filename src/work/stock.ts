import { countOf, unitOf } from '@/core/ledger/left';
import { FOUND, type StrengthTest } from '@/core/peroxide/bottle';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { MovementRow, StockItem } from '@/data/rows';
import { movementsOf } from '@/data/stock';
import { addRow, needRow } from '@/data/table';

export async function addStock(item: Omit<StockItem, 'id' | 'addedAt'>, now: Date): Promise<StockItem> {
  return inTransaction(async () => {
    const added = await addRow('stock', { ...item, addedAt: now.toISOString() });
    await appendLog(
      { restorationId: null, stage: null, kind: 'stock', words: `Into the stores: ${item.name}.`, data: item },
      now,
    );
    return added;
  });
}

/** Somebody looked how much is left. */
export async function countStock(stockId: string, found: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const item = await needRow('stock', stockId);
    const counted = countOf(item.sizeMl, await movementsOf(stockId), found);
    await addRow('movements', { ...counted, stockId, restorationId: null, at: now.toISOString() });
    const words =
      found === 0 ? `Empty: ${item.name}.` : `Left in ${item.name}: ${found.toFixed(0)} ${unitOf(item.kind)}.`;
    await appendLog({ restorationId: null, stage: null, kind: 'stock', words, data: { stockId, found } }, now);
  });
}

/** Somebody found how strong a bottle still is. */
export async function addStrength(
  stockId: string,
  { percentWW, how }: Omit<StrengthTest, 'at'>,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const item = await needRow('stock', stockId);
    await addRow('strengths', { stockId, percentWW, how, at: now.toISOString() });
    const words = `${item.name}: ${percentWW.toFixed(1)} % by weight, ${FOUND[how]}.`;
    await appendLog({ restorationId: null, stage: null, kind: 'stock', words, data: { stockId, percentWW, how } }, now);
  });
}

/** Takes so much out of a bottle. */
export async function takeOut(
  { stockId, restorationId, amount }: { stockId: string; restorationId: string | null; amount: number },
  now: Date,
): Promise<MovementRow> {
  return addRow('movements', { stockId, restorationId, kind: 'used', change: -amount, at: now.toISOString() });
}
