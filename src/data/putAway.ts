import { Refusal } from '@/core/refusal';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Restoration } from './rows';
import { addRow, findColumns, findRow, removeRows } from './table';

/** Restorations that are not put away, for a query over several. */
export const NOT_AWAY = 'NOT EXISTS (SELECT 1 FROM put_away WHERE put_away.id = restorations.id)';

export const isAway = async (restorationId: string): Promise<boolean> =>
  (await findRow('put_away', restorationId)) !== null;

/** Only what stands in columns of words: a restoration that cannot be shown can be put away all the same. */
async function named(restorationId: string): Promise<Pick<Restoration, 'id' | 'title'>> {
  const [found] = await findColumns('restorations', ['id', 'title'], { id: restorationId });
  if (!found) throw new Refusal('id', 'This restoration is not here any more. Look at the list of all.');
  return found;
}

/** Puts a restoration away: out of the bench, the lists, the search and the bells, with everything of it kept. */
export async function putAway(restorationId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { id, title } = await named(restorationId);
    if (await isAway(id)) return;
    await addRow('put_away', { id, at: now.toISOString() });
    await appendLog({ restorationId: id, stage: null, kind: 'put away', words: `Put away: ${title}.` }, now);
  });
}

/** Brings a restoration out again, as it was put away. */
export async function bringOut(restorationId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { id, title } = await named(restorationId);
    if (!(await isAway(id))) return;
    await removeRows('put_away', { id });
    await appendLog(
      { restorationId: id, stage: null, kind: 'brought out', words: `Brought out again: ${title}.` },
      now,
    );
  });
}
