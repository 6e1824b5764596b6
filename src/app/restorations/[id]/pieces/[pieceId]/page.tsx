import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { signed } from '@/core/colour/signed';
import { deltaE00 } from '@/core/colour/difference';
import { showTime } from '@/core/runsheet/time';
import { measurementsOfPiece } from '@/data/measurements';
import { findPiece } from '@/data/pieces';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { marksOf } from '@/runsheet/marks';
import { PieceForm } from '@/runsheet/PieceForm';
import { surfaceOptions } from '@/runsheet/surfaceOptions';
import { MeasurementTable } from '@/runsheet/MeasurementTable';
import { BeforeAfter } from '@/ui/BeforeAfter';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { PlasticScale } from '@/ui/PlasticScale';
import { Tag } from '@/ui/Tag';
import { Wide } from '@/ui/Wide';
import { TakeThingBack } from '@/undo/TakeThingBack';

export default async function PiecePage({ params }: { params: Promise<{ id: string; pieceId: string }> }) {
  await needsEntered();
  const { id, pieceId } = await params;
  const [restoration, piece] = await Promise.all([findRestoration(id), findPiece(pieceId)]);
  if (!restoration || !piece || piece.restorationId !== id) notFound();
  const [measurements, { timeZone }] = await Promise.all([measurementsOfPiece(pieceId), getWorkshop()]);
  const first = measurements[0] ?? null;
  const latest = measurements[measurements.length - 1] ?? null;
  const marks = marksOf({ piece, first, latest });
  const change = first?.lab && latest?.lab && first !== latest ? { deltaE: deltaE00(first.lab, latest.lab), b: latest.lab[2] - first.lab[2] } : null;
  return (
    <>
      <ScreenHead
        lead={<TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>}
        title={
          <>
            <Tag large>{piece.tag}</Tag> {piece.name}
          </>
        }
        under={[piece.plastic, piece.finish, piece.labels && `protect: ${piece.labels}`, piece.metalInside && `metal inside: ${piece.metalInside}`]
          .filter(Boolean)
          .join(' · ')}
        action={
          <LinkButton href={`/restorations/${id}/pieces/${pieceId}/measure?stage=brighten`} look="go" bench>
            {latest ? 'Measure again' : 'Measure'}
          </LinkButton>
        }
      />
      {marks.length > 0 && <PlasticScale marks={marks} />}
      <Wide
        main={
          <>
            {first && latest && first.photoId !== latest.photoId && (
              <Part title="Before and after">
                <BeforeAfter
                  before={{ photoId: first.photoId, words: showTime(first.measuredAt, timeZone) }}
                  after={{ photoId: latest.photoId, words: showTime(latest.measuredAt, timeZone) }}
                />
                {change && (
                  <p>
                    Changed by ΔE00 {change.deltaE.toFixed(1)}, b* {signed(change.b)}.
                  </p>
                )}
              </Part>
            )}
            <Part title="Measurements">
              {measurements.length === 0 ? (
                <EmptyPlace>Not measured yet. A photograph with a grey card and the hidden patch is enough.</EmptyPlace>
              ) : (
                <MeasurementTable measurements={measurements} timeZone={timeZone} />
              )}
            </Part>
          </>
        }
        side={
          <Part title="What is known of it">
            <PieceForm restorationId={id} nextTag={piece.tag} piece={piece} surfaces={await surfaceOptions()} />
            <TakeThingBack what="piece" id={pieceId} name={`${piece.tag} ${piece.name}`} />
          </Part>
        }
      />
      <LinkButton href={`/restorations/${id}/brighten?piece=${pieceId}`}>Brighten this piece</LinkButton>
    </>
  );
}
