import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import type { AskedView } from '@/stages/brighten/atHand';
import { BrightenStage } from '@/stages/brighten/BrightenStage';
import { NowView } from '@/stages/brighten/now/NowView';
import { sky } from '../../../sky';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('brighten');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<AskedView>;
}

export default async function BrightenPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="brighten">
      <BrightenStage restorationId={id} view="" asked={await searchParams} sky={sky} now={clock()} of={NowView} />
    </StageScreen>
  );
}
