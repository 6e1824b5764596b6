import { inTransaction } from './connection';
import { appendLog } from './log';
import type { StockItem } from './rows';
import { addRow, findRow, findRows } from './table';

/** Bottles and other consumables, newest first. */
export const listStock = (): Promise<StockItem[]> => findRows('stock', {}, [['addedAt', 'DESC']]);
export const findStock = (id: string): Promise<StockItem | null> => findRow('stock', id);

export async function addStock(item: Omit<StockItem, 'id' | 'addedAt'>, now = new Date()): Promise<StockItem> {
  return inTransaction(async (transaction) => {
    const added = await addRow('stock', { ...item, addedAt: now.toISOString() }, transaction);
    await appendLog({ restorationId: null, stage: null, kind: 'stock', words: `Into the stores: ${item.name}.`, data: item }, transaction, now);
    return added;
  });
}
