import { Refusal } from '@/core/refusal';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Finding, LedgerEntry } from './rows';
import { addRow, changeRow, findRows, needRow } from './table';

/** What every stage keeps beside photographs and notes: findings, minutes and materials. */
export const findingsOf = (restorationId: string): Promise<Finding[]> => findRows('findings', { restorationId }, [['foundAt', 'ASC']]);
export const ledgerOf = (restorationId: string): Promise<LedgerEntry[]> => findRows('ledger', { restorationId }, [['at', 'ASC']]);

export type NewFinding = Pick<Finding, 'restorationId' | 'pieceId' | 'stage' | 'kind' | 'words' | 'severity'>;

export async function addFinding(finding: NewFinding, now = new Date()): Promise<Finding> {
  return inTransaction(async (transaction) => {
    await needRow('restorations', finding.restorationId, transaction);
    const added = await addRow('findings', { ...finding, foundAt: now.toISOString(), settledAs: null, settledWords: null, settledAt: null }, transaction);
    const { restorationId, stage, kind, severity, words } = finding;
    await appendLog({ restorationId, stage, kind: 'finding', words: `Found: ${kind}, ${severity}. ${words}`.trim(), data: { findingId: added.id } }, transaction, now);
    return added;
  });
}

/** Settles a finding: done, left on purpose or not possible, each with words. */
export async function settleFinding(id: string, settledAs: string, settledWords: string, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const finding = await needRow('findings', id, transaction);
    if (settledAs !== 'done' && !settledWords) throw new Refusal('settledWords', 'Say in a few words why; it goes into the record.');
    await changeRow('findings', { id }, { settledAs, settledWords, settledAt: now.toISOString() }, transaction);
    const { restorationId, stage, kind } = finding;
    await appendLog({ restorationId, stage, kind: 'finding', words: `Settled: ${kind}, ${settledAs}. ${settledWords}`.trim(), data: { findingId: id } }, transaction, now);
  });
}

export async function addLedgerEntry(entry: Omit<LedgerEntry, 'id' | 'at'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    await needRow('restorations', entry.restorationId, transaction);
    await addRow('ledger', { ...entry, at: now.toISOString() }, transaction);
    const { restorationId, stage, kind, words, minutes } = entry;
    await appendLog({ restorationId, stage, kind, words: kind === 'minutes' ? `${minutes} min: ${words}` : `Used: ${words}`, data: entry }, transaction, now);
  });
}
