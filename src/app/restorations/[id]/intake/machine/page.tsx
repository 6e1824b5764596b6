import { needsEntered } from '@/edge/entered';
import { AimPart } from '@/runsheet/AimPart';
import { MachinePart } from '@/stages/intake/MachinePart';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('intake', 'machine');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function MachinePage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="intake" view="machine">
      <AimPart restorationId={id} />
      <MachinePart restorationId={id} />
    </StageScreen>
  );
}
