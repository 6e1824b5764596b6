import { clock } from '@/edge/clock';
import { needsEntered } from '@/edge/entered';
import { finishNow, NowScreen } from '@/stages/finish/NowView';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('finish');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function FinishPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  const state = await finishNow(id);
  return (
    <StageScreen
      restorationId={id}
      stage="finish"
      finished={state.hand.length + state.open.length + state.coatings.length === 0}
    >
      <NowScreen restorationId={id} now={clock()} {...state} />
    </StageScreen>
  );
}
