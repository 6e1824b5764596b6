import { FAMILIES, FAMILY_NAMES } from '@/core/mending/part/families';
import { partOf } from '@/core/mending/part/part';
import { partsOf, sizesOf } from '@/data/parts';
import { printers } from '@/data/printers';
import { photosToMark } from '@/data/photos/toMark';
import { barOf } from './MeasureView';
import { MakePart, type FamilyForm, type KeptPart } from './MakePart';
import { OutlineLater } from './OutlineLater';
import { partBox, partPath } from '@/core/mending/part/drawing';
import { PrintScreen } from './PrintView';

/** The fields of a family’s sizes, as its schema names them; an outline is taken from a photograph, not typed. */
const forms = (): FamilyForm[] =>
  FAMILY_NAMES.filter((name) => name !== 'plate').map((name) => {
    const { title, schema, example } = FAMILIES[name];
    const keys = schema.describe().keys as Record<string, { flags?: { label?: string } }>;
    return {
      name,
      title,
      fields: Object.entries(keys).map(([field, { flags }]) => ({ name: field, label: flags?.label ?? field })),
      example: Object.fromEntries(Object.entries(example).map(([field, value]) => [field, String(value)])),
    };
  });

/** Parts to be made: drawn by their sizes, or by their outline on a photograph. */
export async function MakeScreen({
  restorationId,
  photo: asked,
  part: partId,
  printer,
  play,
}: {
  restorationId: string;
  photo?: string;
  /** That is looked at for the printer, with which one and how much play. */
  part?: string;
  printer?: string;
  play?: string;
}) {
  const [parts, sizes, { photos, photo }] = await Promise.all([
    partsOf(restorationId),
    sizesOf(restorationId),
    photosToMark(restorationId, 'mend', asked),
  ]);
  const part = parts.find(({ id }) => id === partId);
  if (part)
    return <PrintScreen restorationId={restorationId} part={part} printers={await printers()} {...{ printer, play }} />;
  if (photo) return <OutlineLater key={photo.id} restorationId={restorationId} photo={photo} bar={barOf(sizes)} />;
  const kept = parts.map(({ id, name, family, sizes }): KeptPart => {
    const { solid } = partOf(family, sizes);
    const { x, y, width, height } = partBox(family, sizes);
    return {
      ...{ id, name, title: FAMILIES[family].title, solid },
      drawn: { box: [x, y, width, height], path: partPath(family, sizes) },
    };
  });
  return <MakePart restorationId={restorationId} families={forms()} parts={kept} photos={photos} />;
}
