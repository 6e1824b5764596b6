import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { wentBefore } from '@/core/fade/unevenness';
import { toLocalField } from '@/core/runsheet/time';
import { STAGES, type Stage } from '@/core/runsheet/stages';
import { knownSheets } from '@/data/greySheets';
import { findPiece } from '@/data/pieces';
import { findPhoto, photosOf } from '@/data/photos/store';
import { findRestoration } from '@/data/restorations';
import { sessionsOfPiece, treatmentsOf } from '@/data/treatments';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { lastCardColour } from '@/data/measurements';
import { MeasureScreen } from '@/measuring/MeasureScreen';
import { USUAL_CARD } from '@/ui/picture/shapes';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { Tag } from '@/ui/Tag';

interface Props {
  params: Promise<{ id: string; pieceId: string }>;
  searchParams: Promise<{ stage?: string; photo?: string }>;
}

export default async function MeasurePage({ params, searchParams }: Props) {
  await needsEntered();
  const { id, pieceId } = await params;
  const { stage: given, photo: photoId } = await searchParams;
  const [restoration, piece] = await Promise.all([findRestoration(id), findPiece(pieceId)]);
  if (!restoration || !piece || piece.restorationId !== id) notFound();
  const stage: Stage = STAGES.find((name) => name === given) ?? 'brighten';
  const photo = photoId ? await findPhoto(photoId) : null;
  if (photo && photo.restorationId !== id) notFound();
  const [{ timeZone }, sessions, treatments, cardSrgb, sheets] = await Promise.all([
    getWorkshop(),
    sessionsOfPiece(pieceId),
    treatmentsOf(id),
    lastCardColour(),
    knownSheets(),
  ]);
  const now = clock().toISOString();
  // A camera whose clock is ahead says nothing.
  const taken = [photo?.takenAt, photo?.addedAt].find((time) => time != null && time <= now) ?? now;
  return (
    <>
      <ScreenHead
        lead={
          <TextLink href={`/restorations/${id}/pieces/${pieceId}`}>
            {piece.tag} {piece.name}
          </TextLink>
        }
        title={
          <>
            Measure <Tag large>{piece.tag}</Tag>
          </>
        }
        under={photo ? photo.originalName : 'Choose its photograph'}
      />
      <MeasureScreen
        piece={piece}
        stage={stage}
        photo={photo}
        photos={(await photosOf(id)).reverse()}
        takenAt={toLocalField(taken, timeZone)}
        went={wentBefore(taken, sessions, treatments)}
        cardSrgb={cardSrgb ?? USUAL_CARD}
        sheets={sheets}
      />
    </>
  );
}
