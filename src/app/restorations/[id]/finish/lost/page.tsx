import { needsEntered } from '@/edge/entered';
import { LostScreen } from '@/stages/finish/LostView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('finish', 'lost');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function LostPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="finish" view="lost">
      <LostScreen restorationId={id} />
    </StageScreen>
  );
}
