import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { signed } from '@/core/colour/signed';
import { deltaE00 } from '@/core/colour/difference';
import { isPlastic } from '@/core/runsheet/stages';
import { showTime } from '@/core/runsheet/time';
import { measurementsOfPiece } from '@/data/measurements';
import { findPiece } from '@/data/pieces';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { marksOf } from '@/runsheet/marks';
import { PieceHead } from '@/runsheet/PieceHead';
import { MeasurementTable } from '@/runsheet/MeasurementTable';
import { BeforeAfter } from '@/ui/BeforeAfter';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { PlasticScale } from '@/ui/PlasticScale';
import { Wide } from '@/ui/Wide';

export default async function PiecePage({ params }: { params: Promise<{ id: string; pieceId: string }> }) {
  await needsEntered();
  const { id, pieceId } = await params;
  const [restoration, piece] = await Promise.all([findRestoration(id), findPiece(pieceId)]);
  if (!restoration || !piece || piece.restorationId !== id) notFound();
  const [measurements, { timeZone }] = await Promise.all([measurementsOfPiece(pieceId), getWorkshop()]);
  const first = measurements[0] ?? null;
  const latest = measurements[measurements.length - 1] ?? null;
  const marks = marksOf({ piece, first, latest });
  const change =
    first?.lab && latest?.lab && first !== latest
      ? { deltaE: deltaE00(first.lab, latest.lab), b: latest.lab[2] - first.lab[2] }
      : null;
  return (
    <>
      <PieceHead restoration={restoration} piece={piece} view="measured" measured={latest !== null} />
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
                <EmptyPlace>
                  {`Not measured yet. A photograph with a grey card${isPlastic(piece.plastic) ? ' and the hidden patch' : ''} is enough.`}
                </EmptyPlace>
              ) : (
                <MeasurementTable measurements={measurements} timeZone={timeZone} />
              )}
            </Part>
          </>
        }
        side={
          <Part title="Next">
            {isPlastic(piece.plastic) ? (
              <LinkButton href={`/restorations/${id}/brighten?piece=${pieceId}`}>Brighten this piece</LinkButton>
            ) : (
              <LinkButton href={`/restorations/${id}/finish`}>Finish this piece</LinkButton>
            )}
          </Part>
        }
      />
    </>
  );
}
