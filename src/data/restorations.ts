import { Refusal } from '@/core/refusal';
import { STAGES, type Stage, type StageState } from '@/core/runsheet/stages';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Restoration, StageRow } from './rows';
import { holdsOf } from './teardown';
import { addRow, changeRow, findRow, findRows, needRow } from './table';

/** Opens a restoration with its nine stages; the price paid is its first ledger entry. */
export async function openRestoration(given: Omit<Restoration, 'id' | 'openedAt' | 'closedAt'>, now = new Date()): Promise<Restoration> {
  return inTransaction(async (transaction) => {
    const restoration = await addRow('restorations', { ...given, openedAt: now.toISOString(), closedAt: null }, transaction);
    const { id: restorationId } = restoration;
    for (const stage of STAGES) await addRow('stages', { restorationId, stage, state: 'open', settledAt: null, reason: null }, transaction);
    if (given.pricePaidMinor > 0)
      await addRow('ledger', { restorationId, stage: 'intake', kind: 'price', words: 'Price paid', amountMinor: given.pricePaidMinor, minutes: 0, at: now.toISOString() }, transaction);
    await appendLog({ restorationId, stage: 'intake', kind: 'opened', words: `Opened: ${given.title}. ${given.condition}`.trim() }, transaction, now);
    return restoration;
  });
}

/** Newest first. */
export const listRestorations = (): Promise<Restoration[]> => findRows('restorations', {}, [['openedAt', 'DESC']]);

export const findRestoration = (id: string): Promise<Restoration | null> => findRow('restorations', id);

/** The nine stages in the order of work. */
export async function stagesOf(restorationId: string): Promise<StageRow[]> {
  const rows = await findRows('stages', { restorationId });
  return [...rows].sort((a, b) => STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage));
}

/** Marks a stage done, not needed (with a reason) or open again. */
export async function settleStage(restorationId: string, stage: Stage, state: StageState, reason: string | null, now = new Date()): Promise<void> {
  if (state === 'not needed' && !reason) throw new Refusal('reason', 'Say in a few words why this stage is not needed; it goes into the record.');
  await inTransaction(async (transaction) => {
    await needRow('restorations', restorationId, transaction);
    if (stage === 'rebuild' && state === 'done') {
      const holds = await holdsOf(restorationId, now, transaction);
      if (holds.length > 0) throw new Refusal('state', `Do not close the case yet. ${holds.map(({ words }) => words).join(' ')}`);
    }
    const settledAt = state === 'open' ? null : now.toISOString();
    await changeRow('stages', { restorationId, stage }, { state, reason, settledAt }, transaction);
    const rest = await findRows('stages', { restorationId, state: 'open' }, undefined, transaction);
    await changeRow('restorations', { id: restorationId }, { closedAt: rest.length === 0 ? now.toISOString() : null }, transaction);
    const words = { open: 'opened again', done: 'done', 'not needed': `not needed: ${reason}` }[state];
    await appendLog({ restorationId, stage, kind: 'stage', words: `Stage ${words}.` }, transaction, now);
  });
}

