import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import type { AskedView } from '@/stages/brighten/atHand';
import { BrightenStage } from '@/stages/brighten/BrightenStage';
import { PlanView } from '@/stages/brighten/plan/PlanView';
import { sky } from '../../../../sky';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('brighten', 'plan');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<AskedView>;
}

export default async function PlanPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="brighten" view="plan">
      <BrightenStage restorationId={id} view="plan" asked={await searchParams} sky={sky} now={clock()} of={PlanView} />
    </StageScreen>
  );
}
