import { plansLooks } from './looks';
import { endPlanned } from './planned';
import { Refusal } from '@/core/refusal';
import { SCHOOL } from '@/core/session/schools';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Treatment } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';

export type Way = Pick<
  Treatment,
  'school' | 'stockId' | 'stockPercentWW' | 'targetPercentWW' | 'amountMl' | 'toleranceB'
>;

/** The treatment of a piece that goes this way; where another goes, that one ends and this begins. */
export async function treatmentFor(pieceId: string, way: Way, begins: Date): Promise<Treatment> {
  const { restorationId } = await needRow('pieces', pieceId);
  const [going] = await findRows('treatments', { pieceId, school: way.school, endedAt: null }, [['plannedAt', 'DESC']]);
  if (going && going.targetPercentWW === way.targetPercentWW) return going;
  const [latest] = await findRows('measurements', { pieceId, basis: 'card' }, [['measuredAt', 'DESC']]);
  const at = begins.toISOString();
  await changeRow('treatments', { pieceId, endedAt: null }, { endedAt: at, endedWhy: 'another way chosen' });
  const startMeasurementId = latest?.id ?? null;
  return addRow('treatments', {
    ...way,
    restorationId,
    pieceId,
    plannedAt: at,
    startMeasurementId,
    endedAt: null,
    endedWhy: null,
  });
}

/** Closes a treatment: matched, or given up, and why. */
export async function endTreatment(treatmentId: string, why: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const treatment = await needRow('treatments', treatmentId);
    const piece = await needRow('pieces', treatment.pieceId);
    const [running] = await findRows('sessions', { treatmentId, endedAt: null });
    if (running)
      throw new Refusal('treatment', 'An exposure of it still runs. End that first, with what really happened.');
    if (
      !(await changeRow(
        'treatments',
        { id: treatmentId, endedAt: null },
        { endedAt: now.toISOString(), endedWhy: why },
      ))
    )
      throw new Refusal(
        'treatment',
        'Its brightening was ended already, perhaps on another screen. Nothing was changed.',
      );
    await plansLooks(treatment, now);
    await endPlanned({ pieceId: piece.id }, null, now);
    const { restorationId } = treatment;
    const words = `Brightening of ${piece.tag} ${piece.name} ended: ${why}`;
    await appendLog({ restorationId, stage: 'brighten', kind: 'treatment', words }, now);
  });
}

/** Opens an ended treatment again: it was ended by mistake, or a look later says so. */
export async function reopenTreatment(treatmentId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { pieceId, restorationId, school, endedAt, endedWhy } = await needRow('treatments', treatmentId);
    if (endedAt === null) return;
    const [going] = await findRows('treatments', { pieceId, endedAt: null });
    if (going)
      throw new Refusal(
        'treatment',
        `This piece goes another way now: ${SCHOOL[going.school].title.toLowerCase()}. End that first.`,
      );
    const piece = await needRow('pieces', pieceId);
    await changeRow('treatments', { id: treatmentId }, { endedAt: null, endedWhy: null });
    const words = `Brightening of ${piece.tag} ${piece.name} goes on: ${SCHOOL[school].title.toLowerCase()}.`;
    await appendLog(
      { restorationId, stage: 'brighten', kind: 'treatment', words, data: { before: { endedAt, endedWhy } } },
      now,
    );
  });
}
