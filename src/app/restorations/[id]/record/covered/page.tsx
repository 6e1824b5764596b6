import { areasOf } from '@/data/lastly';
import { piecesOf } from '@/data/pieces';
import { photosToMark } from '@/data/photos/toMark';
import { viewHref } from '@/core/runsheet/views';
import { needsEntered } from '@/edge/entered';
import { AreasLater } from '@/stages/finish/OnPhotoLater';
import { Part } from '@/ui/layout';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('record', 'covered');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ photo?: string }>;
}

/** What nobody else is to see on photographs: outlined here, covered on every picture that goes out. */
export default async function CoveredPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { photo: asked }] = await Promise.all([params, searchParams]);
  const [areas, pieces, { photos, photo }] = await Promise.all([
    areasOf(id),
    piecesOf(id),
    photosToMark(id, 'intake', asked),
  ]);
  const covered = areas.filter(({ use }) => use === 'private');
  const here = viewHref(id, 'record', 'covered');
  return (
    <StageScreen restorationId={id} stage="record" view="covered">
      {photo ? (
        <AreasLater
          key={photo.id}
          restorationId={id}
          photo={photo}
          uses={['private']}
          pieces={pieces.map((piece) => ({ value: piece.id, label: `${piece.tag} ${piece.name}` }))}
          pieceId={null}
          kept={covered.filter(({ photoId }) => photoId === photo.id).map(({ corners }) => corners)}
          back={here}
        />
      ) : (
        <>
          <p>
            Names, files and addresses of an earlier owner: tap a photograph and outline them. They are covered on every
            picture that goes out as a page, on paper or as text; the ZIP for coming in again stays whole.
          </p>
          {covered.length > 0 && (
            <Part title={`Covered: ${covered.length}`}>
              <ul>
                {covered.map((area) => {
                  const name = photos.find(({ id: of }) => of === area.photoId)?.originalName ?? 'a photograph';
                  return (
                    <li key={area.id}>
                      {[area.name, name].filter(Boolean).join(', on ')}
                      <TakeThingBack what="outline" id={area.id} name={name} />
                    </li>
                  );
                })}
              </ul>
            </Part>
          )}
          <PhotoPick
            restorationId={id}
            stage="record"
            what="What is private"
            how="Choose the photograph on which something is to be covered"
            photos={photos}
            href={here}
          />
        </>
      )}
    </StageScreen>
  );
}
