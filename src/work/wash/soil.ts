import { addFinding } from '../findings';
import type { Visible } from '@/core/cleaning/ladder';
import type { SoilId } from '@/core/cleaning/soils';
import type { Share } from '@/core/picture/picture';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { changeRow, findRows, needRow } from '@/data/table';

/** Says what a finding is made of and how it is seen. */
export async function nameSoil(findingId: string, soil: SoilId, visible: Visible, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, kind, soil: before } = await needRow('findings', findingId);
    const [running] = await findRows('sink_steps', { findingId, endedAt: null });
    if (running) throw new Refusal('soil', 'It is being worked at the sink. Say first what came of that.');
    await changeRow('findings', { id: findingId }, { soil, visible });
    await appendLog(
      {
        restorationId,
        stage: 'wash',
        kind: 'finding',
        words: `${kind}: it is ${soil}, seen ${visible}.`,
        data: { findingId, before },
      },
      now,
    );
  });
}

/**
 * Marks what a measurement found left over after a wash: a spot each, which goes on above the rung that left it.
 *
 * @throws Refusal where the spots of this photograph are marked already, or nothing is left
 */
export async function markLeft(
  { pieceId, photoId, spots }: { pieceId: string; photoId: string; spots: readonly { pin: Share; words: string }[] },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const { restorationId } = await needRow('pieces', pieceId);
    const marked = await findRows('findings', { pieceId, photoId, stage: 'wash' });
    if (marked.length > 0)
      throw new Refusal('pieceId', 'What is left on this photograph is marked already. Look at its ladders.');
    if (spots.length === 0) throw new Refusal('pieceId', 'Nothing is left that stands out. There is nothing to mark.');
    const steps = await findRows('sink_steps', { pieceId, restorationId }, [['rowid', 'DESC']]);
    const last = steps[0] ? await needRow('findings', steps[0].findingId) : null;
    for (const { pin, words } of spots) {
      const finding = {
        restorationId,
        pieceId,
        stage: 'wash',
        kind: last?.kind ?? 'soiled',
        severity: 'slight',
        words,
        photoId,
        pin,
      } as const;
      const { id } = await addFinding(finding, now);
      if (last) await changeRow('findings', { id }, { continues: last.id, soil: last.soil, visible: last.visible });
    }
  });
}
