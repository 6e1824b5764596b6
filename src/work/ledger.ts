import { shareOfPrice, unitOf, type StoreUnit } from '@/core/ledger/left';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { needsNoAnswer } from './owner';
import type { Booked, LedgerEntry, StockItem } from '@/data/rows';
import { takeOut } from './stock';
import { leftOf } from '@/data/stock';
import { addRow, changeRow, needRow } from '@/data/table';

/** Books an entry within what goes on already. @throws Refusal for a purchase that the owner has not allowed */
export async function bookEntry(entry: Omit<LedgerEntry, 'id' | 'at'>, now: Date): Promise<LedgerEntry> {
  await needRow('restorations', entry.restorationId);
  if (entry.kind === 'material')
    await needsNoAnswer(
      entry.restorationId,
      { about: 'purchase', stage: entry.stage, costMinor: entry.amountMinor },
      'cost',
    );
  const added = await addRow('ledger', { ...entry, at: now.toISOString() });
  const { restorationId, stage, kind, words, minutes } = entry;
  await appendLog(
    {
      restorationId,
      stage,
      kind,
      words: kind === 'minutes' ? `${minutes} min: ${words}` : `Used: ${words}`,
      data: entry,
    },
    now,
  );
  return added;
}

/** Minutes worked, or a material; a purchase beyond what the owner allows waits for the answer. */
export async function addLedgerEntry(entry: Omit<LedgerEntry, 'id' | 'at'>, now: Date): Promise<void> {
  await inTransaction(() => bookEntry(entry, now));
}

/** Puts minutes right, with their words; the log keeps what they were. */
export async function correctMinutes(id: string, minutes: number, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, stage, kind, minutes: before, words: said } = await needRow('ledger', id);
    if (kind !== 'minutes')
      throw new Refusal('minutes', 'This entry counts money, not minutes. Take it back, and write it again.');
    await changeRow('ledger', { id }, { minutes, words });
    const told = `Minutes put right: ${minutes} min, ${words}; they were ${before} min, ${said}.`;
    await appendLog(
      {
        restorationId,
        stage,
        kind: 'minutes',
        words: told,
        data: { entryId: id, before: { minutes: before, words: said } },
      },
      now,
    );
  });
}

/** So much of a material that a stage used: of a bottle of the stores, or of one that is not in them and costs nothing here. */
export interface Use {
  restorationId: string;
  stage: Stage;
  stockId: string | null;
  /** mL, or g of powder. */
  amount: number;
  /** What it is called where it is no bottle of the stores. */
  otherwise: string;
  unit: StoreUnit;
}

/** Takes so much out of a bottle, at its share of what the bottle cost. @returns the rows that it was booked in */
export async function bookMaterial(
  { restorationId, stage, stockId, amount, otherwise, unit }: Use,
  now: Date,
): Promise<Booked> {
  const item = stockId === null ? null : await needRow('stock', stockId);
  const movement = item && (await takeOut({ stockId: item.id, restorationId, amount }, now));
  const words = `${item?.name ?? otherwise}, ${Math.round(amount)} ${unit}`;
  const amountMinor = item ? shareOfPrice(item.priceMinor, item.sizeMl, amount) : 0;
  const entry = await bookEntry({ restorationId, stage, kind: 'material', words, amountMinor, minutes: 0 }, now);
  return { movementIds: movement ? [movement.id] : [], ledgerIds: [entry.id] };
}

/** @throws Refusal where more is to be taken out of a bottle than is left in it by the record, at a field of the form */
export async function needsLeft(
  stockId: string,
  amount: number,
  field: string,
): Promise<{ item: StockItem; unit: StoreUnit }> {
  const item = await needRow('stock', stockId);
  const [left, unit] = [await leftOf(item), unitOf(item.kind)];
  if (left !== null && amount > left)
    throw new Refusal(
      field,
      `“${item.name}” has ${left.toFixed(0)} ${unit} left by the record. Look at the amount again, or count what is left under Stores.`,
    );
  return { item, unit };
}

/**
 * Takes so much out of a bottle of the stores.
 *
 * @throws Refusal where more was used than is left in it
 */
export async function useFromStores(
  use: { restorationId: string; stage: Stage; stockId: string; amount: number },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, stage, stockId, amount } = use;
    const { item, unit } = await needsLeft(stockId, amount, 'amount');
    await bookMaterial({ restorationId, stage, stockId, amount, otherwise: item.name, unit }, now);
  });
}
