import { Op } from 'sequelize';
import { inTransaction } from './connection';
import { addRow, findRow, removeRows } from './table';

/** So long an answer is kept for a form that is sent again. */
export const KEPT_MS = 7 * 24 * 3_600_000;

/**
 * Does something once for a key, in one transaction with what it writes; the same key again has the same answer, and
 * nothing is done a second time. What was refused can be sent again under its key.
 *
 * @param key made on the page that sends it, new for each thing that is sent
 */
export const doneOnce = <T>(key: string, work: () => Promise<T>, now: Date): Promise<T> =>
  inTransaction(async () => {
    const known = await findRow('answered', key);
    if (known) return known.value as T;
    const value = await work();
    await removeRows('answered', { at: { [Op.lt]: new Date(now.getTime() - KEPT_MS).toISOString() } });
    await addRow('answered', { id: key, at: now.toISOString(), value: value ?? null });
    return value;
  });
