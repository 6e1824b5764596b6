import { Op } from 'sequelize';
import type { OrderRow } from './rows';
import { countRows, findRows } from './table';

/** What is to be bought or on its way, or here and not yet fitted, the newest first. */
export const openOrders = (): Promise<OrderRow[]> => findRows('orders', { fittedAt: null }, [['rowid', 'DESC']]);

/** What was bought and fitted: the last so many, and how many there are. */
export async function fittedOrders(most: number): Promise<{ orders: OrderRow[]; all: number }> {
  const fitted = { fittedAt: { [Op.ne]: null } };
  const [orders, all] = await Promise.all([
    findRows('orders', fitted, [['fittedAt', 'DESC']], most),
    countRows('orders', fitted),
  ]);
  return { orders, all };
}

/** What is bought for one machine. */
export const ordersOf = (restorationId: string): Promise<OrderRow[]> =>
  findRows('orders', { restorationId }, [['rowid', 'DESC']]);
