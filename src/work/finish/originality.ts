import { originalityByRecord } from '@/core/finish/originFacts';
import { lostMarksOf, originsOf } from '@/data/lastly';
import { piecesOf } from '@/data/pieces';
import { findRows } from '@/data/table';

/** How original a machine is, piece by piece and as a whole. */
export async function originalityOfMachine(restorationId: string) {
  const [pieces, origins, lostMarks, coatJobs, coats, repairs, sinkSteps, treatments] = await Promise.all([
    piecesOf(restorationId),
    originsOf(restorationId),
    lostMarksOf(restorationId),
    findRows('coat_jobs', { restorationId }),
    findRows('coats', { restorationId }),
    findRows('repairs', { restorationId }),
    findRows('sink_steps', { restorationId }),
    findRows('treatments', { restorationId }),
  ]);
  const done = { pieces, origins, lostMarks, coatJobs, coats, repairs, sinkSteps, treatments };
  return { rows: pieces, ...originalityByRecord(done) };
}
