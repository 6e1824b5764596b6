import { needsEntered } from '@/edge/entered';
import { SinkView, washFinished } from '@/stages/wash/WashStage';
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
  return (
    <StageScreen restorationId={id} stage="wash" finished={await washFinished(id)}>
      <SinkView restorationId={id} taken={spot && rung ? { spot, agent: rung } : null} />
    </StageScreen>
  );
}
