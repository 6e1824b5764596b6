import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { StockCareRow } from '@/data/rows';
import { addRow, findRow, needRow, removeRows } from '@/data/table';

type Said = Partial<Omit<StockCareRow, 'id' | 'at'>>;

/** Says of something on the shelf where it stands, how much is wanted, since when it is open and how long it keeps. */
export async function careFor(stockId: string, said: Said, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { name } = await needRow('stock', stockId);
    const known = await findRow('stock_care', stockId);
    await removeRows('stock_care', { id: stockId });
    await addRow('stock_care', {
      ...{ low: null, shelf: '', keepsDays: null, openedAt: null, deliveryDays: null, thrownAt: null },
      ...known,
      ...said,
      ...{ id: stockId, at: now.toISOString() },
    });
    await appendLog(
      { restorationId: null, stage: null, kind: 'stock', words: `${name}: ${words}`, data: { stockId, ...said } },
      now,
    );
  });
}
