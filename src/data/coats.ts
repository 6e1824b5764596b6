import type { CoatJobRow, CoatRow } from './rows';
import { findRows } from './table';

/** What is coated on a machine, the newest first, each with its coats in their order. */
export async function coatingsOf(restorationId: string): Promise<(CoatJobRow & { coats: CoatRow[] })[]> {
  const [jobs, coats] = await Promise.all([
    findRows('coat_jobs', { restorationId }, [['rowid', 'DESC']]),
    findRows('coats', { restorationId }, [['rowid', 'ASC']]),
  ]);
  return jobs.map((job) => ({ ...job, coats: coats.filter(({ jobId }) => jobId === job.id) }));
}
