import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import type { AskedView } from '@/stages/brighten/atHand';
import { BrightenStage } from '@/stages/brighten/BrightenStage';
import { WaysView } from '@/stages/brighten/ways/WaysView';
import { sky } from '../../../../sky';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('brighten', 'ways');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<AskedView>;
}

export default async function WaysPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="brighten" view="ways">
      <BrightenStage restorationId={id} view="ways" asked={await searchParams} sky={sky} now={clock()} of={WaysView} />
    </StageScreen>
  );
}
