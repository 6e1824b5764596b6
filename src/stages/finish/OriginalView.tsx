import { Box, Flex, Text } from '@chakra-ui/react';
import { isOriginal, shareWords } from '@/core/finish/originality';
import { viewHref } from '@/core/runsheet/views';
import { areasOf, originsOf } from '@/data/lastly';
import { photosToMark } from '@/data/photos/toMark';
import { Fold } from '@/ui/Fold';
import { KeptLine } from '@/ui/KeptLine';
import { EmptyPlace, Part } from '@/ui/layout';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { originalityOfMachine } from '@/work/finish/originality';
import { AreasDrawn } from './AreasDrawn';
import { AreasLater } from './OnPhotoLater';
import { OriginForm } from './OriginForm';
import { OriginTable } from './OriginTable';

/** How original a machine is: on its photograph, in shares, and piece by piece. */
export async function OriginalScreen({
  restorationId,
  photo: asked,
}: {
  restorationId: string;
  photo: string | undefined;
}) {
  const [{ rows, pieces, shares, guessed }, areas, told, { photos, photo }] = await Promise.all([
    originalityOfMachine(restorationId),
    areasOf(restorationId),
    originsOf(restorationId),
    photosToMark(restorationId, 'intake', asked),
  ]);
  const here = viewHref(restorationId, 'finish', 'original');
  const choices = rows.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` }));
  const outlined = areas.filter(({ use }) => use === 'piece');
  if (photo)
    return (
      <AreasLater
        key={photo.id}
        restorationId={restorationId}
        photo={photo}
        uses={['piece']}
        pieces={choices}
        pieceId={rows.find(({ id }) => !outlined.some(({ pieceId }) => pieceId === id))?.id ?? null}
        kept={outlined.filter(({ photoId }) => photoId === photo.id).map(({ corners }) => corners)}
        back={here}
      />
    );
  const nameOf = new Map(rows.map(({ id, tag, name }) => [id, `${tag} ${name}`]));
  const tagOf = new Map(rows.map(({ id, tag }) => [id, tag]));
  const stateOf = new Map(pieces.map(({ pieceId, state }) => [pieceId, state]));
  const drawn = photos.filter(({ id }) => outlined.some(({ photoId }) => photoId === id));
  const changed = pieces.filter(({ facts }) => facts.some(({ state }) => !isOriginal(state)));
  return (
    <>
      {rows.length === 0 ? (
        <EmptyPlace>No piece is taken in yet. What is original is said of pieces: begin with Intake.</EmptyPlace>
      ) : (
        <Text fontSize="20px" mb="3">
          {shares.map(({ state, share }, i) => (
            <span key={state}>
              {i > 0 && ', '}
              <b>{shareWords(share)}</b> {state}
            </span>
          ))}
          .{' '}
          <Text as="span" color="soft" fontSize="16px">
            Of its outer surface, as boxes round its pieces
            {guessed > 0 && `; ${guessed} of ${rows.length} have no size yet and count as 20 by 20 cm`}. What nobody
            wrote down counts as original.
          </Text>
        </Text>
      )}
      {drawn.map(({ id, width, height, originalName }) => (
        <AreasDrawn
          key={id}
          photoId={id}
          size={{ width, height }}
          alt={`${originalName}: its pieces; hatched is what is not original`}
          areas={outlined
            .filter(({ photoId }) => photoId === id)
            .map((area) => {
              const state = stateOf.get(area.pieceId ?? '') ?? 'original';
              return {
                ...{ id: area.id, corners: area.corners, hatch: !isOriginal(state) },
                mark: `${tagOf.get(area.pieceId ?? '') ?? ''} ${state}`,
              };
            })}
        />
      ))}
      {changed.length > 0 && (
        <Part title="Not as the maker made it">
          <OriginTable
            facts={changed.flatMap(({ pieceId, facts }) =>
              facts
                .filter(({ state }) => !isOriginal(state))
                .map((fact) => ({ piece: nameOf.get(pieceId) ?? '', fact })),
            )}
          />
        </Part>
      )}
      {rows.length > 0 && (
        <Box data-main-action>
          <Fold summary="Say of a part how original it is" openAtFirst={changed.length === 0 && told.length === 0}>
            <OriginForm restorationId={restorationId} pieces={choices} />
          </Fold>
        </Box>
      )}
      {rows.length > 0 && (
        <Fold summary="Outline its pieces on a photograph">
          <PhotoPick
            restorationId={restorationId}
            stage="finish"
            what="pieces"
            how="The whole machine, from where all its pieces are seen."
            photos={photos}
            href={here}
          />
        </Fold>
      )}
      {(told.length > 0 || outlined.length > 0) && (
        <Fold quiet summary={`Said and outlined so far: ${told.length + outlined.length}`}>
          {told.map(({ id, pieceId, what, state, words }) => (
            <KeptLine
              key={id}
              aside={<TakeThingBack what="word on originality" id={id} name={`${what || 'all of it'}: ${state}`} />}
            >
              <Text flex="1">
                {nameOf.get(pieceId)}, {what || 'all of it'}: {state}. {words}
              </Text>
            </KeptLine>
          ))}
          {outlined.map(({ id, pieceId, name }) => (
            <KeptLine
              key={id}
              aside={<TakeThingBack what="outline" id={id} name={`outline of ${nameOf.get(pieceId ?? '') ?? name}`} />}
            >
              <Flex flex="1">Outline of {[nameOf.get(pieceId ?? ''), name].filter(Boolean).join(', ')}</Flex>
            </KeptLine>
          ))}
        </Fold>
      )}
    </>
  );
}
