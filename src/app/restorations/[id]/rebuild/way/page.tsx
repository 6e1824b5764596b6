import { needsEntered } from '@/edge/entered';
import { WayView } from '@/stages/rebuild/WayView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('rebuild', 'way');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function WayPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="rebuild" view="way">
      <WayView restorationId={id} />
    </StageScreen>
  );
}
