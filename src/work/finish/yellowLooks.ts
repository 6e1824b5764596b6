import { sdOfBand, type YellowLook } from '@/core/finish/lastCoat';
import { isLast } from '@/core/finish/coatKinds';
import { yellowReturning } from '@/core/fade/returning';
import { measurementsOfPiece } from '@/data/measurements';
import { findRows, needRow } from '@/data/table';
import { Op } from 'sequelize';
import { bOf, sdOf } from '../measuredB';

/** Looks that are counted: the newest so many pieces of the workshop. */
const MOST = 60;

/** Pieces of the whole workshop that were measured again after their end: how fast their yellow came back, and under what. */
export async function yellowLooks(): Promise<YellowLook[]> {
  const looked = await findRows('looks_again', { measurementId: { [Op.ne]: null } }, [['dueAt', 'DESC']], MOST);
  const looks: YellowLook[] = [];
  for (const pieceId of new Set(looked.map((look) => look.pieceId))) {
    const of = looked.find((look) => look.pieceId === pieceId)!;
    const treatment = (await findRows('treatments', { id: of.treatmentId }))[0];
    if (!treatment?.endedAt) continue;
    const coloured = (await measurementsOfPiece(pieceId)).filter(({ lab, basis }) => lab !== null && basis === 'card');
    const last = coloured.filter(({ measuredAt }) => measuredAt <= treatment.endedAt!).pop();
    if (!last) continue;
    const after = [last, ...coloured.filter(({ measuredAt }) => measuredAt > treatment.endedAt!)];
    const hiddenB = (await needRow('pieces', pieceId)).hiddenLab?.[2] ?? null;
    const back = yellowReturning(after.map((one) => ({ at: one.measuredAt, b: bOf(one, hiddenB), sd: sdOf(one) })));
    if (!back) continue;
    const jobs = await findRows('coat_jobs', { restorationId: of.restorationId, pieceId });
    const coats = await findRows('coats', { jobId: jobs.map(({ id }) => id), laidAt: { [Op.ne]: null } });
    looks.push({
      ...{ perYear: back.perYear.median, sd: sdOfBand(back.perYear), kept: of.storage },
      // A coat that was laid only at the last look did nothing before.
      coated: coats.some(({ kind, laidAt }) => isLast(kind) && laidAt! < after.at(-1)!.measuredAt),
    });
  }
  return looks;
}
