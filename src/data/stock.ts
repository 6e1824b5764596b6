import type { StockItem } from './rows';
import { findRow, findRows, select } from './table';
import { type Movement, leftIn } from '@/core/ledger/left';
import type { StrengthTest } from '@/core/peroxide/bottle';

/** A bottle or another consumable with what is left in it, mL, or g of powder (`null` where nobody knows), and its newest test. */
export type Shelved = StockItem & { left: number | null; tested: StrengthTest | null };

/** As they were written down: a clock that was set back makes no test the newest that is not. */
const LAST_FIRST: [string, string][] = [['rowid', 'DESC']];

/** What went out of a bottle and into it by counts, added up by kind: a bottle of many years is read in two rows. */
type Moved = Movement & { stockId: string };

const MOVED = `SELECT stockId, kind, SUM(change) AS change FROM movements`;

export const movementsOf = (stockId: string): Promise<Moved[]> =>
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
