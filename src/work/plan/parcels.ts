import { assumed } from '@/core/assumptions/assumptions';
import { parcelSpread } from '@/core/schedule/parcels';
import type { OrderRow } from '@/data/rows';
import { findRows } from '@/data/table';

/** Parcels that are still to come or to be ordered, each with how sure its date is by the parcels of this workshop. */
export async function parcelsOf(
  now: Date,
): Promise<(Pick<OrderRow, 'id' | 'restorationId' | 'repairId' | 'what' | 'dueAt'> & { spread: number })[]> {
  const orders = await findRows('orders', {}, [['rowid', 'ASC']]);
  const came = orders.flatMap(({ orderedAt, dueAt, arrivedAt }) =>
    orderedAt !== null && dueAt !== null && arrivedAt !== null
      ? [{ ordered: Date.parse(orderedAt), due: Date.parse(dueAt), arrived: Date.parse(arrivedAt) }]
      : [],
  );
  const spread = parcelSpread(came);
  return orders
    .filter(({ arrivedAt, fittedAt }) => arrivedAt === null && fittedAt === null)
    .map(({ id, restorationId, repairId, what, dueAt, orderedAt }) => ({
      ...{ id, restorationId, repairId, what, spread },
      // Ordered without a date it comes after what parcels take, counted from then.
      dueAt:
        dueAt ??
        (orderedAt === null
          ? null
          : new Date(
              Math.max(now.getTime(), Date.parse(orderedAt) + assumed('a parcel takes') * 86_400_000),
            ).toISOString()),
    }));
}
