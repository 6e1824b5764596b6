import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { STAGES } from '@/core/runsheet/stages';
import { StageScreen } from '../StageScreen';

export default async function StagePage({ params }: { params: Promise<{ id: string; stage: string }> }) {
  await needsEntered();
  const { id, stage: name } = await params;
  const stage = STAGES.find((known) => known === name);
  if (!stage) notFound();
  return <StageScreen restorationId={id} stage={stage} />;
}
