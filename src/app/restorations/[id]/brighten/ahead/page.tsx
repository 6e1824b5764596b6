import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import type { AskedView } from '@/stages/brighten/atHand';
import { BrightenStage } from '@/stages/brighten/BrightenStage';
import { AheadView } from '@/stages/brighten/ahead/AheadView';
import { sky } from '../../../../sky';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('brighten', 'ahead');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<AskedView>;
}

export default async function AheadPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="brighten" view="ahead">
      <BrightenStage
        restorationId={id}
        view="ahead"
        asked={await searchParams}
        sky={sky}
        now={clock()}
        of={AheadView}
      />
    </StageScreen>
  );
}
