import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { findRestoration } from '@/data/restorations';
import { isWashed } from '@/stages/wash/sink';
import { sinkOf } from '@/stages/wash/sink';
import { SinkView } from '@/stages/wash/SinkView';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('wash');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ spot?: string; rung?: string }>;
}

export default async function WashPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  const { spot, rung } = await searchParams;
  if (!(await findRestoration(id))) notFound();
  const sink = await sinkOf(id);
  return (
    <StageScreen restorationId={id} stage="wash" finished={isWashed(sink)}>
      <SinkView restorationId={id} sink={sink} taken={spot && rung ? { spot, agent: rung } : null} />
    </StageScreen>
  );
}
