import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import type { AskedView } from '@/stages/brighten/atHand';
import { BrightenStage } from '@/stages/brighten/BrightenStage';
import { PastView } from '@/stages/brighten/past/PastView';
import { sky } from '../../../../sky';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('brighten', 'past');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<AskedView>;
}

export default async function PastPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="brighten" view="past">
      <BrightenStage restorationId={id} view="past" asked={await searchParams} sky={sky} now={clock()} of={PastView} />
    </StageScreen>
  );
}
