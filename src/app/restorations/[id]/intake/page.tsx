import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { findRestoration } from '@/data/restorations';
import { AimPart } from '@/runsheet/AimPart';
import { IntakeStage } from '@/stages/intake/IntakeStage';
import { StageScreen } from '../StageScreen';

export default async function IntakePage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  return (
    <StageScreen
      restorationId={id}
      stage="intake"
      tool={
        <>
          <AimPart restoration={restoration} />
          <IntakeStage restorationId={id} />
        </>
      }
    />
  );
}
