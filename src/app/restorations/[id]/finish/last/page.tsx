import { needsEntered } from '@/edge/entered';
import { LastScreen } from '@/stages/finish/LastView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('finish', 'last');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function LastPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="finish" view="last">
      <LastScreen restorationId={id} />
    </StageScreen>
  );
}
