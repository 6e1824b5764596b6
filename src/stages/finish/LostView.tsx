import { Box, Text } from '@chakra-ui/react';
import { lostWays } from '@/core/finish/lostMarks';
import { viewHref } from '@/core/runsheet/views';
import { lostMarksOf } from '@/data/lastly';
import { photosOf } from '@/data/photos/store';
import { piecesOf } from '@/data/pieces';
import { sizesOf } from '@/data/parts';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { LostForm } from './LostForm';
import { LostPart } from './LostPart';

/** Stripes, legends, logos and labels that are worn off: what can honestly be done about each. */
export async function LostScreen({ restorationId }: { restorationId: string }) {
  const [lost, pieces, photos, sizes] = await Promise.all([
    lostMarksOf(restorationId),
    piecesOf(restorationId),
    photosOf(restorationId),
    sizesOf(restorationId),
  ]);
  const nameOf = new Map(pieces.map(({ id, tag, name }) => [id, `${tag} ${name}`]));
  const form = (
    <LostForm
      restorationId={restorationId}
      pieces={[...nameOf].map(([value, label]) => ({ value, label }))}
      photos={photos.map(({ id, originalName }) => ({ value: id, label: originalName }))}
      sizes={sizes.filter(({ kind }) => kind === 'length').map(({ name, value }) => `${name}: ${value.toFixed(1)} mm`)}
    />
  );
  const open = lost.filter(({ doneAt }) => doneAt === null);
  const done = lost.filter(({ doneAt }) => doneAt !== null);
  return (
    <>
      {open.map((one) => (
        <Part
          key={one.id}
          title={[one.name, nameOf.get(one.pieceId ?? '')].filter(Boolean).join(', ')}
          aside={<TakeThingBack what="lost mark" id={one.id} name={one.name} />}
        >
          <LostPart
            key={`${one.id} ${one.way}`}
            restorationId={restorationId}
            lostMarkId={one.id}
            ways={lostWays(one.kind, one.left, one.raised)}
            chosen={one.way}
            sizes={one.widthMm !== null && one.lengthMm !== null ? `${one.widthMm} by ${one.lengthMm} mm` : null}
          />
        </Part>
      ))}
      {open.length === 0 ? (
        <Part title="Something is worn off">{form}</Part>
      ) : (
        <Fold summary="Something else is worn off">{form}</Fold>
      )}
      <Text my="2" color="soft" maxWidth="62ch">
        Width and place come off a photograph with the sheet of marks:{' '}
        <TextLink href={viewHref(restorationId, 'mend', 'measure')}>Measure</TextLink>. What is made new is recorded as
        not original.
      </Text>
      {done.length > 0 && (
        <Fold quiet summary={`Settled so far: ${done.length}`}>
          {done.map((one) => (
            <Box key={one.id} borderTopWidth="1px" borderColor="line" py="2">
              <Text>
                {one.name}: {one.way}. {one.words}
              </Text>
              <LostPart
                restorationId={restorationId}
                lostMarkId={one.id}
                ways={[]}
                chosen={one.way}
                sizes={one.widthMm !== null && one.lengthMm !== null ? `${one.widthMm} by ${one.lengthMm} mm` : null}
                settled
              />
            </Box>
          ))}
        </Fold>
      )}
    </>
  );
}
