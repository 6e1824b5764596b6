import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { measurementsOfPiece } from '@/data/measurements';
import { findPiece } from '@/data/pieces';
import { findRestoration } from '@/data/restorations';
import { PieceForm } from '@/runsheet/PieceForm';
import { PieceHead } from '@/runsheet/PieceHead';
import { surfaceOptions } from '@/runsheet/surfaceOptions';
import { TakeThingBack } from '@/undo/TakeThingBack';

export default async function KnownPage({ params }: { params: Promise<{ id: string; pieceId: string }> }) {
  await needsEntered();
  const { id, pieceId } = await params;
  const [restoration, piece, measurements] = await Promise.all([
    findRestoration(id),
    findPiece(pieceId),
    measurementsOfPiece(pieceId),
  ]);
  if (!restoration || !piece || piece.restorationId !== id) notFound();
  return (
    <>
      <PieceHead restoration={restoration} piece={piece} view="known" measured={measurements.length > 0} />
      <PieceForm restorationId={id} nextTag={piece.tag} piece={piece} surfaces={await surfaceOptions()} />
      <TakeThingBack what="piece" id={pieceId} name={`${piece.tag} ${piece.name}`} />
    </>
  );
}
