import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { findingsOf } from '@/data/findings';
import { findRestoration } from '@/data/restorations';
import { PieceForm } from '@/runsheet/PieceForm';
import { surfaceOptions } from '@/runsheet/surfaceOptions';
import { nextTag } from '@/runsheet/sights';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

export default async function NewPiecePage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  return (
    <>
      <ScreenHead title="Tag a piece" lead={<TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>} />
      <PieceForm
        restorationId={id}
        nextTag={await nextTag(id)}
        surfaces={await surfaceOptions()}
        loose={(await findingsOf(id)).filter(({ pieceId, settledAs }) => pieceId === null && settledAs === null)}
      />
    </>
  );
}
