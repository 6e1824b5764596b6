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
