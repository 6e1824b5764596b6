import type { OnShelf } from '@/core/schedule/supplies';
import { USUAL_DELIVERY_DAYS } from '@/core/schedule/supplies';
import type { StockCareRow } from './rows';
import { listStock, type Shelved } from './stock';
import { findRows } from './table';

export type CaredFor = Shelved & { care: StockCareRow | null };

const DAY_MS = 86_400_000;

/** What is on the shelf, with what is said of it; what was thrown away is not there. */
export const shelfWithCare = async (): Promise<CaredFor[]> =>
  (await allWithCare()).filter(({ care }) => !care?.thrownAt);

/** What was on the shelf once as well. */
export async function allWithCare(): Promise<CaredFor[]> {
  const [stock, cares] = await Promise.all([listStock(), findRows('stock_care')]);
  const of = new Map(cares.map((care) => [care.id, care]));
  return stock.map((item) => ({ ...item, care: of.get(item.id) ?? null }));
}

/** The shelf as plans see it. */
export const onShelf = (items: readonly CaredFor[]): OnShelf[] =>
  items.map(({ id, name, kind, left, sizeMl, priceMinor, care }) => ({
    ...{ id, name, kind, left, priceMinor, size: sizeMl, low: care?.low ?? null },
    deliveryDays: care?.deliveryDays ?? USUAL_DELIVERY_DAYS,
    oldFrom: care?.keepsDays && care.openedAt ? Date.parse(care.openedAt) + care.keepsDays * DAY_MS : null,
  }));
