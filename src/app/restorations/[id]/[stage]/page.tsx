import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { STAGES } from '@/core/runsheet/stages';
import { StageScreen, stageTitle } from '../StageScreen';

interface Props {
  params: Promise<{ id: string; stage: string }>;
}

const stageNamed = (name: string) => STAGES.find((known) => known === name);

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  await needsEntered();
  const stage = stageNamed((await params).stage);
  return stage ? stageTitle(stage) : {};
}

/** A stage that has no tool of its own yet. */
export default async function StagePage({ params }: Props) {
  await needsEntered();
  const { id, stage: name } = await params;
  const stage = stageNamed(name);
  if (!stage) notFound();
  return <StageScreen restorationId={id} stage={stage} />;
}
