import { UNIT_OF, type SizeKind } from '@/core/mending/marks/sizeKinds';
import { NINE_IN_TEN_SD } from '@/core/numbers';
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
    await needsOwnPhoto(restorationId, photoId);
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

/** @throws Refusal for a photograph of another machine */
export async function needsOwnPhoto(restorationId: string, photoId: string | null): Promise<void> {
  if (photoId !== null && (await needRow('photos', photoId)).restorationId !== restorationId)
    throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this machine.');
}

/**
 * Keeps a size that was measured on a photograph.
 *
 * @throws Refusal for a photograph of another machine
 */
export async function addSize(
  size: {
    restorationId: string;
    name: string;
    kind: SizeKind;
    value: number;
    sd: number;
    photoId: string | null;
    barMm: number | null;
  },
  now: Date,
): Promise<string> {
  const { restorationId, name, kind, value, sd, photoId } = size;
  return inTransaction(async () => {
    await needsOwnPhoto(restorationId, photoId);
    const { id } = await addRow('sizes', { ...size, at: now.toISOString() });
    await appendLog(
      {
        ...{ restorationId, stage: 'mend', kind: 'size' },
        words: `Measured: ${name}, ${value.toFixed(1)} ${UNIT_OF[kind]}, give or take ${(NINE_IN_TEN_SD * sd).toFixed(1)}.`,
        data: { sizeId: id },
      },
      now,
    );
    return id;
  });
}
