import { CRACK } from '@/core/assumptions/mendingCases.testing';
import { isLate, lastStep, nextStep } from '@/core/mending/orderSteps';
import { ledgerOf } from '@/data/ledger';
import { fittedOrders, openOrders, ordersOf } from '@/data/orders';
import { findRows, needRow } from '@/data/table';
import { addFinding } from './findings';
import { addPrinter } from './mend/printers';
import { beginMend, measureBreak } from './mend/repairs';
import { addOrder, moveOrder, placeOrder, stepOrderBack } from './orders';
import { setOwner } from './restorations';
import { takeThingBack } from './takingBack';
import { bringBack } from './takenBack';
import { inMinutes, inTrialWorkshop, tick, trialPiece } from './trial';

inTrialWorkshop();

const DAY_MIN = 24 * 60;
const wanted = (restorationId: string | null, more: object = {}) => ({
  ...{ restorationId, pieceId: null, repairId: null, what: 'Feet, four', words: '' },
  ...more,
});

it('goes from wanted to fitted step by step, its price booked on its machine, and back again', async () => {
  const { restorationId } = await trialPiece();
  const id = await addOrder(wanted(restorationId), tick());
  await expect(moveOrder(id, 'arrived', tick())).rejects.toThrow('further already');
  await placeOrder(id, { priceMinor: 650, dueDays: 5 }, tick());
  const placed = await needRow('orders', id);
  expect(placed.priceMinor).toBe(650);
  expect(isLate(placed, inMinutes(4 * DAY_MIN))).toBe(false);
  expect(isLate(placed, inMinutes(6 * DAY_MIN))).toBe(true);
  expect((await ledgerOf(restorationId)).map(({ amountMinor }) => amountMinor)).toContain(650);
  await expect(placeOrder(id, { priceMinor: 650, dueDays: 5 }, tick())).rejects.toThrow('further already');
  await expect(takeThingBack('order', id, tick())).rejects.toThrow('was ordered');
  for (const step of ['arrived', 'compared', 'fitted'] as const) await moveOrder(id, step, tick());
  const fitted = await needRow('orders', id);
  expect([nextStep(fitted), lastStep(fitted), isLate(fitted, inMinutes(90 * DAY_MIN))]).toEqual([
    null,
    'fitted',
    false,
  ]);
  for (const step of ['fitted', 'compared', 'arrived', 'ordered']) {
    expect(lastStep(await needRow('orders', id))).toBe(step);
    await stepOrderBack(id, tick());
  }
  expect((await ledgerOf(restorationId)).map(({ amountMinor }) => amountMinor)).not.toContain(650);
  expect(await needRow('orders', id)).toMatchObject({ priceMinor: null, ledgerId: null, dueAt: null });
  await expect(stepOrderBack(id, tick())).rejects.toThrow('Nothing was done');
  const taken = await takeThingBack('order', id, tick());
  expect(await ordersOf(restorationId)).toEqual([]);
  await bringBack(taken, tick());
  expect(await ordersOf(restorationId)).toHaveLength(1);
});

it('for the stores nothing is booked, and a piece or repair of another machine is refused', async () => {
  const id = await addOrder(wanted(null, { what: 'Cream, 12 %' }), tick());
  await placeOrder(id, { priceMinor: 900, dueDays: null }, tick());
  expect(await needRow('orders', id)).toMatchObject({ ledgerId: null, dueAt: null, priceMinor: 900 });
  const [one, other] = [await trialPiece(), await trialPiece()];
  await expect(addOrder(wanted(one.restorationId, { pieceId: other.id }), tick())).rejects.toThrow(
    'another restoration',
  );
  await expect(addOrder(wanted(null, { pieceId: other.id }), tick())).rejects.toThrow('which machine');
});

it('what is fitted leaves the list; the last of it stand below, counted', async () => {
  const before = (await fittedOrders(1)).all;
  const ids: string[] = [];
  for (const what of ['Feet', 'Badge', 'Spring']) {
    const id = await addOrder(wanted(null, { what }), tick());
    await placeOrder(id, { priceMinor: 100, dueDays: null }, tick());
    for (const step of ['arrived', 'compared', 'fitted'] as const) await moveOrder(id, step, tick());
    ids.unshift(id);
  }
  const { orders, all } = await fittedOrders(2);
  expect([orders.map(({ id }) => id), all]).toEqual([ids.slice(0, 2), before + 3]);
  const open = (await openOrders()).map(({ id }) => id);
  expect(open.filter((id) => ids.includes(id))).toEqual([]);
  await stepOrderBack(ids[0]!, tick());
  expect((await openOrders()).map(({ id }) => id)).toContain(ids[0]);
  expect((await fittedOrders(2)).all).toBe(before + 2);
});

it('a repair that waits for a part puts it on the list, once; taken back, the order stays', async () => {
  const { id: pieceId, restorationId } = await trialPiece();
  const finding = await addFinding(
    { restorationId, pieceId, stage: 'intake', kind: 'missing', severity: 'plain', words: 'door' },
    tick(),
  );
  const repairId = await measureBreak(
    { restorationId, findingId: finding.id, name: 'Slot door', damage: { ...CRACK, kind: 'missing' } },
    tick(),
  );
  await beginMend(repairId, 'bought part', tick());
  const [order] = await ordersOf(restorationId);
  expect(order).toMatchObject({ repairId, pieceId, what: 'part for Slot door', orderedAt: null });
  await takeThingBack('repair', repairId, tick());
  expect((await ordersOf(restorationId))[0]).toMatchObject({ repairId: null });
  // Its price that is taken out of the ledger leaves the order.
  await placeOrder(order!.id, { priceMinor: 100, dueDays: 1 }, tick());
  const { ledgerId } = await needRow('orders', order!.id);
  await takeThingBack('entry', ledgerId!, tick());
  expect((await needRow('orders', order!.id)).ledgerId).toBeNull();
});

it('somebody else’s machine: no purchase beyond what was allowed', async () => {
  const { restorationId } = await trialPiece();
  await setOwner(restorationId, 'Ilva Brand', { stages: ['mend'], spendMinor: 500, words: '' }, tick());
  const id = await addOrder(wanted(restorationId), tick());
  await expect(placeOrder(id, { priceMinor: 2000, dueDays: null }, tick())).rejects.toThrow();
  expect(await needRow('orders', id)).toMatchObject({ orderedAt: null });
  await placeOrder(id, { priceMinor: 400, dueDays: null }, tick());
  expect((await openOrders()).find((one) => one.id === id)!.orderedAt).not.toBeNull();
});

it('a printer is kept by its test bar, refused for another bar, and taken back', async () => {
  const bar = { name: 'Shed printer, grey', barMm: 99.6, pinMm: 10.1, holeMm: 9.8, kgMinor: null };
  await expect(addPrinter({ ...bar, barMm: 120 }, tick())).rejects.toThrow('measure them again');
  const id = await addPrinter(bar, tick());
  expect(await findRows('printers', {})).toMatchObject([bar]);
  await takeThingBack('printer', id, tick());
  expect(await findRows('printers', {})).toEqual([]);
});
