import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import { CloseView } from '@/stages/rebuild/CloseView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('rebuild', 'close');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function ClosePage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="rebuild" view="close">
      <CloseView restorationId={id} now={clock()} />
    </StageScreen>
  );
}
