import { countOf, leftIn, unitOf, type Movement } from '@/core/ledger/left';
import { FOUND, type StrengthTest } from '@/core/peroxide/bottle';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { MovementRow, StockItem } from './rows';
import { addRow, findRow, findRows, needRow, select } from './table';

/** A bottle or another consumable with what is left in it, mL, or g of powder (`null` where nobody knows), and its newest test. */
export type Shelved = StockItem & { left: number | null; tested: StrengthTest | null };

/** As they were written down: a clock that was set back makes no test the newest that is not. */
const LAST_FIRST: [string, string][] = [['rowid', 'DESC']];

/** What went out of a bottle and into it by counts, added up by kind: a bottle of many years is read in two rows. */
type Moved = Movement & { stockId: string };

const MOVED = `SELECT stockId, kind, SUM(change) AS change FROM movements`;
const movementsOf = (stockId: string): Promise<Moved[]> =>
  select<Moved>(`${MOVED} WHERE stockId = :stockId GROUP BY stockId, kind`, { stockId });

/** Bottles and other consumables, newest first. */
export async function listStock(): Promise<Shelved[]> {
  const [stock, movements, strengths] = await Promise.all([
    findRows('stock', {}, [['addedAt', 'DESC']]),
    select<Moved>(`${MOVED} GROUP BY stockId, kind`),
    findRows('strengths', {}, LAST_FIRST),
  ]);
  const of = <T extends { stockId: string }>(rows: T[], id: string) => rows.filter(({ stockId }) => stockId === id);
  return stock.map((item) => ({
    ...item,
    left: leftIn(item.sizeMl, of(movements, item.id)),
    tested: of(strengths, item.id)[0] ?? null,
  }));
}

/** What is left in one bottle. */
export const leftOf = async ({ id, sizeMl }: StockItem): Promise<number | null> =>
  leftIn(sizeMl, await movementsOf(id));

export async function findStock(id: string): Promise<Shelved | null> {
  const item = await findRow('stock', id);
  if (!item) return null;
  const [left, tests] = await Promise.all([leftOf(item), findRows('strengths', { stockId: id }, LAST_FIRST)]);
  return { ...item, left, tested: tests[0] ?? null };
}

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
