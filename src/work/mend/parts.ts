import { FAMILIES, type FamilyName } from '@/core/mending/part/families';
import { partOf } from '@/core/mending/part/part';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { addRow, needRow } from '@/data/table';

/**
 * Keeps a part that is to be made.
 *
 * @throws Refusal for sizes that cannot be made, or a photograph of another machine
 */
export async function addPart(
  part: {
    restorationId: string;
    name: string;
    family: FamilyName;
    sizes: Record<string, unknown>;
    photoId: string | null;
  },
  now: Date,
): Promise<string> {
  const { restorationId, name, family, sizes, photoId } = part;
  const { solid } = partOf(family, sizes);
  return inTransaction(async () => {
    if (photoId !== null && (await needRow('photos', photoId)).restorationId !== restorationId)
      throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this machine.');
    const { id } = await addRow('parts', { ...part, at: now.toISOString() });
    const box = solid.boxMm.map((side) => side.toFixed(1)).join(' × ');
    await appendLog(
      {
        ...{ restorationId, stage: 'mend', kind: 'part' },
        words: `Part drawn: ${name}, ${FAMILIES[family].title.toLowerCase()}, ${box} mm.`,
        data: { partId: id },
      },
      now,
    );
    return id;
  });
}
