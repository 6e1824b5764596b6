import { Op } from 'sequelize';
import { inTransaction } from './connection';
import type { LearntRate } from './rows';
import { addRow, findRows, removeRows, select } from './table';

/** So many of the newest pieces of a way and plastic speak: what was usual years ago is not what is usual now. */
const NEWEST = 60;

/** What past pieces say of their ways, this one left out: the newest of each way and plastic. */
export const ratesBut = (pieceId: string): Promise<LearntRate[]> =>
  select<LearntRate>(
    `SELECT id, restorationId, pieceId, school, plastic, mean, variance, at FROM
      (SELECT *, ROW_NUMBER() OVER (PARTITION BY school, plastic ORDER BY at DESC, id) AS place FROM learnt_rates WHERE pieceId <> :pieceId)
      WHERE place <= :newest ORDER BY at DESC, id`,
    { pieceId, newest: NEWEST },
  );

/** Restorations of which something changed since their rates were worked out: the first so many. */
export const staleRates = async (most: number): Promise<string[]> =>
  (await findRows('learnt_stale', {}, undefined, most)).map(({ id }) => id);

/**
 * Keeps what was learnt of restorations, in the place of what was kept of them before.
 *
 * @param learn works it out; within the transaction, so that nothing changes between
 */
export async function learnAnew(
  restorationIds: readonly string[],
  learn: () => Promise<Omit<LearntRate, 'id'>[]>,
): Promise<void> {
  const these = { [Op.in]: [...restorationIds] };
  await inTransaction(async () => {
    const rates = await learn();
    await removeRows('learnt_rates', { restorationId: these });
    for (const rate of rates) await addRow('learnt_rates', { ...rate, id: `${rate.pieceId}:${rate.school}` });
    await removeRows('learnt_stale', { id: these });
  });
}

/** Whether a way was gone on a plastic before, on any piece. */
export async function wayWentOn(school: string, plastic: string): Promise<boolean> {
  const [found] = await select(
    `SELECT 1 FROM treatments JOIN pieces ON pieces.id = treatments.pieceId WHERE treatments.school = :school AND pieces.plastic = :plastic LIMIT 1`,
    { school, plastic },
  );
  return found !== undefined;
}
