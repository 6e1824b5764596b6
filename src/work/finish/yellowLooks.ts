import { sdOfBand, type YellowLook } from '@/core/finish/lastCoat';
import { isLast } from '@/core/finish/coatKinds';
import { yellowReturning, type Returning } from '@/core/fade/returning';
import type { SchoolId } from '@/core/session/schools';
import { findRows } from '@/data/table';
import { Op } from 'sequelize';
import { bOf, sdOf } from '../measuredB';

/** Looks that are counted: the newest so many of the workshop. */
const MOST = 60;

/** A piece that was measured again after its end: what it is, and how its yellow came back. */
export interface PieceLook extends YellowLook, Pick<Returning, 'years' | 'certain'> {
  restorationId: string;
  machine: string;
  tag: string;
  school: SchoolId;
  /** b* a year, 5 % to 95 %. */
  band: Returning['perYear'];
}

/** Pieces of the whole workshop that were measured again after their end, the one that was looked at last first: how fast their yellow came back, and under what. */
export async function yellowLooks(): Promise<PieceLook[]> {
  const looked = await findRows('looks_again', { measurementId: { [Op.ne]: null } }, [['dueAt', 'DESC']], MOST);
  const newest = looked.filter(({ pieceId }, i) => looked.findIndex((one) => one.pieceId === pieceId) === i);
  const pieceId = newest.map((look) => look.pieceId);
  const [treatments, pieces, measurements, machines, jobs] = await Promise.all([
    findRows('treatments', { id: looked.map(({ treatmentId }) => treatmentId) }),
    findRows('pieces', { id: pieceId }),
    findRows('measurements', { pieceId }, [
      ['measuredAt', 'ASC'],
      ['id', 'ASC'],
    ]),
    findRows('restorations', { id: looked.map(({ restorationId }) => restorationId) }),
    findRows('coat_jobs', { pieceId }),
  ]);
  const coats = await findRows('coats', { jobId: jobs.map(({ id }) => id), laidAt: { [Op.ne]: null } });
  return newest.flatMap((look): PieceLook[] => {
    const treatment = treatments.find(({ id }) => id === look.treatmentId);
    const piece = pieces.find(({ id }) => id === look.pieceId);
    if (!treatment?.endedAt || !piece) return [];
    const coloured = measurements.filter((one) => one.pieceId === piece.id && one.lab !== null && one.basis === 'card');
    const last = coloured.filter(({ measuredAt }) => measuredAt <= treatment.endedAt!).pop();
    if (!last) return [];
    const after = [last, ...coloured.filter(({ measuredAt }) => measuredAt > treatment.endedAt!)];
    const hiddenB = piece.hiddenLab?.[2] ?? null;
    const back = yellowReturning(after.map((one) => ({ at: one.measuredAt, b: bOf(one, hiddenB), sd: sdOf(one) })));
    if (!back) return [];
    const own = new Set(jobs.filter((job) => job.pieceId === piece.id).map(({ id }) => id));
    return [
      {
        ...{ perYear: back.perYear.median, sd: sdOfBand(back.perYear), kept: look.storage },
        // A coat that was laid only at the last look did nothing before.
        coated: coats.some(
          ({ jobId, kind, laidAt }) => own.has(jobId) && isLast(kind) && laidAt! < after.at(-1)!.measuredAt,
        ),
        ...{ restorationId: look.restorationId, tag: piece.tag, school: treatment.school },
        machine: machines.find(({ id }) => id === look.restorationId)?.title ?? '',
        ...{ band: back.perYear, years: back.years, certain: back.certain },
      },
    ];
  });
}
