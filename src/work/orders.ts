import { lastStep, nextStep, type OrderStep } from '@/core/mending/orderSteps';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { OrderRow } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { bookEntry } from './ledger';
import { ownPiece } from './own';
import { takeBack } from './takenBack';

const DAY_MS = 86_400_000;

export type Wanted = Pick<OrderRow, 'restorationId' | 'pieceId' | 'repairId' | 'what' | 'words'>;

const told = ({ restorationId, what }: Pick<OrderRow, 'restorationId' | 'what'>, words: string, orderId: string) =>
  ({
    restorationId,
    stage: restorationId === null ? null : ('mend' as const),
    ...{ kind: 'order', words: `${what}: ${words}`, data: { orderId } },
  }) as const;

/** Puts something on the list of what is to be bought. */
export async function addOrder(wanted: Wanted, now: Date): Promise<string> {
  return inTransaction(async () => {
    const { restorationId, pieceId, repairId } = wanted;
    if (restorationId === null && (pieceId !== null || repairId !== null))
      throw new Refusal('restorationId', 'Say which machine it is for: a piece or a repair belongs to one.');
    if (restorationId !== null) await needRow('restorations', restorationId);
    if (restorationId !== null && pieceId !== null) await ownPiece(restorationId, pieceId);
    if (repairId !== null && (await needRow('repairs', repairId)).restorationId !== restorationId)
      throw new Refusal('repairId', 'This repair belongs to another restoration. Choose one of this machine.');
    const { id } = await addRow('orders', {
      ...wanted,
      ...{ at: now.toISOString(), orderedAt: null, priceMinor: null, ledgerId: null, dueAt: null },
      ...{ arrivedAt: null, comparedAt: null, fittedAt: null },
    });
    await appendLog(told(wanted, 'to be bought.', id), now);
    return id;
  });
}

/** The part that a repair waits for, on the list once. */
export async function orderForRepair(wanted: Wanted & { repairId: string }, now: Date): Promise<void> {
  const open = (await findRows('orders', { repairId: wanted.repairId })).filter(({ fittedAt }) => fittedAt === null);
  if (open.length === 0) await addOrder(wanted, now);
}

/** What a repair takes and the stores do not have, each on the list once. */
export async function orderFor(repairId: string, wants: readonly string[], now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, pieceId } = await needRow('repairs', repairId);
    const listed = (await findRows('orders', { restorationId, fittedAt: null })).map(({ what }) => what);
    for (const what of wants)
      if (!listed.includes(what)) await addOrder({ restorationId, pieceId, repairId, what, words: '' }, now);
  });
}

/** @throws Refusal where another device was quicker */
async function isNext(id: string, step: OrderStep): Promise<OrderRow> {
  const order = await needRow('orders', id);
  if (nextStep(order) !== step)
    throw new Refusal('orderId', 'This order is further already, perhaps by another device. Load the page again.');
  return order;
}

/**
 * It was ordered: its price is booked on its machine.
 *
 * @param dueDays in how many days it is expected; `null` where nobody said
 * @throws Refusal where the owner has not allowed the purchase
 */
export async function placeOrder(
  id: string,
  { priceMinor, dueDays }: { priceMinor: number | null; dueDays: number | null },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const order = await isNext(id, 'ordered');
    const { restorationId, what } = order;
    const entry =
      restorationId !== null && priceMinor !== null
        ? await bookEntry(
            { restorationId, stage: 'mend', kind: 'material', words: what, amountMinor: priceMinor, minutes: 0 },
            now,
          )
        : null;
    await changeRow(
      'orders',
      { id },
      {
        ...{ orderedAt: now.toISOString(), priceMinor, ledgerId: entry?.id ?? null },
        dueAt: dueDays === null ? null : new Date(now.getTime() + dueDays * DAY_MS).toISOString(),
      },
    );
    await appendLog(told(order, 'ordered.', id), now);
  });
}

/** It comes on another day than was said: what waits for it moves with it. @throws Refusal where it is not on its way */
export async function delayOrder(id: string, dueDays: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const order = await isNext(id, 'arrived');
    const dueAt = new Date(now.getTime() + dueDays * DAY_MS).toISOString();
    await changeRow('orders', { id }, { dueAt });
    await appendLog(told(order, `expected ${dueAt.slice(0, 10)}.`, id), now);
  });
}

const STEP_WORDS: Record<Exclude<OrderStep, 'ordered'>, string> = {
  arrived: 'arrived.',
  compared: 'held beside the old one, and it is the same.',
  fitted: 'fitted.',
};

/** It came, was compared, or was fitted. @throws Refusal out of its order */
export async function moveOrder(id: string, step: Exclude<OrderStep, 'ordered'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const order = await isNext(id, step);
    await changeRow('orders', { id }, { [`${step}At`]: now.toISOString() });
    await appendLog(told(order, STEP_WORDS[step], id), now);
  });
}

/** The last step was said by mistake, or it came and was the wrong one: a price that was booked goes with it. */
export async function stepOrderBack(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const order = await needRow('orders', id);
    const step = lastStep(order);
    if (step === null) throw new Refusal('orderId', 'Nothing was done about it yet. Take it off the list instead.');
    const { restorationId, ledgerId, what } = order;
    if (step === 'ordered' && ledgerId !== null)
      await takeBack(
        {
          ...{ restorationId, stage: 'mend', what: `price of ${what}` },
          remove: [{ table: 'ledger', where: { id: ledgerId } }],
          letGo: [{ table: 'orders', where: { id }, fields: ['ledgerId'] }],
        },
        now,
      );
    await changeRow(
      'orders',
      { id },
      {
        [`${step}At`]: null,
        ...(step === 'ordered' && { priceMinor: null, ledgerId: null, dueAt: null }),
      },
    );
    await appendLog(told(order, `not ${step} after all.`, id), now);
  });
}

/** Takes something off the list. @throws Refusal once it is ordered */
export async function takeOrderBack(id: string, now: Date): Promise<string> {
  const { restorationId, what, orderedAt } = await needRow('orders', id);
  if (orderedAt !== null)
    throw new Refusal('id', `“${what}” was ordered, and that stays in the record. Take its last step back first.`);
  return takeBack(
    {
      ...{ restorationId, stage: restorationId === null ? null : 'mend', what: `order of ${what}` },
      remove: [{ table: 'orders', where: { id } }],
    },
    now,
  );
}
