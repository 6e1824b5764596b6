import { Flex, Text } from '@chakra-ui/react';
import { UNIT_OF } from '@/core/mending/marks/sizeKinds';
import { NINE_IN_TEN_SD } from '@/core/numbers';
import { viewHref } from '@/core/runsheet/views';
import { sizesOf } from '@/data/parts';
import { photosToMark } from '@/data/photos/toMark';
import { Button } from '@/ui/Button';
import { KeptLine } from '@/ui/KeptLine';
import { Part } from '@/ui/layout';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { MeasureLater } from './OutlineLater';

/** What the bar of the workshop's printed sheet measured last, as it is typed. */
export const barOf = (sizes: readonly { barMm: number | null }[]): string =>
  String(sizes.find(({ barMm }) => barMm !== null)?.barMm ?? 100);

/** Sizes on a photograph: a sheet of marks or a card beside the part gives the scale. */
export async function MeasureScreen({
  restorationId,
  photo: asked,
}: {
  restorationId: string;
  photo: string | undefined;
}) {
  const [sizes, { photos, photo }] = await Promise.all([
    sizesOf(restorationId),
    photosToMark(restorationId, 'mend', asked),
  ]);
  const kept = sizes.length > 0 && (
    <Part title="Measured">
      {sizes.map(({ id, name, kind, value, sd }) => (
        <KeptLine key={id} aside={<TakeThingBack what="size" id={id} name={name} />}>
          <Text>
            <b>{name}</b>, {kind === 'round' && 'Ø '}
            {value.toFixed(kind === 'area' ? 0 : 1)} {UNIT_OF[kind]}, give or take {(NINE_IN_TEN_SD * sd).toFixed(1)}
          </Text>
        </KeptLine>
      ))}
    </Part>
  );
  if (photo)
    return (
      <>
        <MeasureLater key={photo.id} restorationId={restorationId} photo={photo} bar={barOf(sizes)} />
        {kept}
      </>
    );
  return (
    <>
      <Text mb="3" maxWidth="62ch">
        Lengths, holes, angles and faces in millimetres, off a photograph. Lay the part on a printed sheet of marks, or
        beside a bank card.
      </Text>
      <Flex gap="2" wrap="wrap" mb="3">
        <Button asChild>
          <a href="/api/workshop/marks?sheet=large" download>
            Sheet of marks
          </a>
        </Button>
        <Button asChild>
          <a href="/api/workshop/marks?sheet=small" download>
            Sheet for small parts
          </a>
        </Button>
      </Flex>
      <PhotoPick
        restorationId={restorationId}
        stage="mend"
        what="sizes"
        how="From straight above, all four sides of the sheet in the picture, in light from all sides. Without a sheet: a bank card beside the part, on a ground of another colour."
        photos={photos}
        href={viewHref(restorationId, 'mend', 'measure')}
      />
      {kept}
    </>
  );
}
