import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import type { AskedView } from '@/stages/brighten/atHand';
import { BrightenStage } from '@/stages/brighten/BrightenStage';
import { SkyView } from '@/stages/brighten/sky/SkyView';
import { sky } from '../../../../sky';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('brighten', 'sky');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<AskedView>;
}

export default async function SkyPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="brighten" view="sky">
      <BrightenStage restorationId={id} view="sky" asked={await searchParams} sky={sky} now={clock()} of={SkyView} />
    </StageScreen>
  );
}
