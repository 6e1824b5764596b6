import type { OrderRow } from './rows';
import { findRows } from './table';

/** All that was or is to be bought, the newest first. */
export const allOrders = (): Promise<OrderRow[]> => findRows('orders', {}, [['rowid', 'DESC']]);

/** What is bought for one machine. */
export const ordersOf = (restorationId: string): Promise<OrderRow[]> =>
  findRows('orders', { restorationId }, [['rowid', 'DESC']]);
