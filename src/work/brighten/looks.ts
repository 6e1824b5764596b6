import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { EARLY_MS } from '@/data/looks';
import type { LookAgain, Measurement, Treatment } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { addMonths } from 'date-fns';

/** A treatment that is over asks to be looked at again; looks of an earlier one of the same piece that never came are dropped for these. */
export async function plansLooks({ id, restorationId, pieceId }: Treatment, now: Date): Promise<void> {
  const sessions = await findRows('sessions', { treatmentId: id });
  if (sessions.length === 0) return;
  const open = await findRows('looks_again', { pieceId, measurementId: null }, [['dueAt', 'ASC']]);
  for (const [i, months] of AFTER_MONTHS.entries()) {
    const dueAt = addMonths(now, months).toISOString();
    const known = open[i];
    if (known) await changeRow('looks_again', { id: known.id }, { dueAt, treatmentId: id });
    else
      await addRow('looks_again', {
        restorationId,
        pieceId,
        treatmentId: id,
        dueAt,
        storage: 'dark',
        measurementId: null,
      });
  }
}

/** A measurement answers the looks whose time had come when its picture was taken. */
export async function seenAgain({ id, pieceId, measuredAt }: Measurement): Promise<void> {
  for (const look of await findRows('looks_again', { pieceId, measurementId: null }, [['dueAt', 'ASC']]))
    if (Date.parse(look.dueAt) - EARLY_MS <= Date.parse(measuredAt))
      await changeRow('looks_again', { id: look.id }, { measurementId: id });
}

/** How a piece is kept until it is looked at again. */
export async function keptIn(pieceId: string, storage: LookAgain['storage'], now: Date): Promise<void> {
  await inTransaction(async () => {
    const piece = await needRow('pieces', pieceId);
    await changeRow('looks_again', { pieceId, measurementId: null }, { storage });
    const words = `${piece.tag} ${piece.name} is kept ${storage === 'dark' ? 'in the dark' : 'in the light'}.`;
    await appendLog({ restorationId: piece.restorationId, stage: 'brighten', kind: 'storage', words }, now);
  });
}

/** Months after which a brightened piece is looked at again. */
const AFTER_MONTHS = [6, 12];
