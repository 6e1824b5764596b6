import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from './connection';
import { appendLog } from './log';
import { needsNoAnswer } from './requests';
import type { LedgerEntry } from './rows';
import { addRow, findRows, needRow } from './table';

/** Minutes and materials of every stage. */
export const ledgerOf = (restorationId: string): Promise<LedgerEntry[]> => findRows('ledger', { restorationId }, [['at', 'ASC']]);

/** Minutes worked, or a material; a purchase beyond what the owner allows waits for the answer. */
export async function addLedgerEntry(entry: Omit<LedgerEntry, 'id' | 'at'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    await needRow('restorations', entry.restorationId, transaction);
    if (entry.kind === 'material')
      await needsNoAnswer(entry.restorationId, { about: 'purchase', stage: entry.stage, costMinor: entry.amountMinor }, 'cost', transaction);
    await addRow('ledger', { ...entry, at: now.toISOString() }, transaction);
    const { restorationId, stage, kind, words, minutes } = entry;
    await appendLog(
      { restorationId, stage, kind, words: kind === 'minutes' ? `${minutes} min: ${words}` : `Used: ${words}`, data: entry },
      transaction,
      now,
    );
  });
}

/**
 * Takes so much out of a bottle of the stores, at its share of what the bottle cost.
 *
 * @throws Refusal where more was used than the bottle holds
 */
export async function useFromStores(use: { restorationId: string; stage: Stage; stockId: string; usedMl: number }, now = new Date()): Promise<void> {
  const item = await needRow('stock', use.stockId);
  if (item.sizeMl !== null && use.usedMl > item.sizeMl)
    throw new Refusal('usedMl', `“${item.name}” holds ${item.sizeMl} mL in all. Look at the amount again.`);
  const amountMinor = item.priceMinor === null || item.sizeMl === null ? 0 : Math.round((item.priceMinor * use.usedMl) / item.sizeMl);
  await addLedgerEntry(
    { restorationId: use.restorationId, stage: use.stage, kind: 'material', words: `${item.name}, ${use.usedMl} mL`, amountMinor, minutes: 0 },
    now,
  );
}
