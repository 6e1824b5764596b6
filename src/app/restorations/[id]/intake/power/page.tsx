import { needsEntered } from '@/edge/entered';
import { PowerPart } from '@/stages/intake/PowerPart';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('intake', 'power');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function PowerPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="intake" view="power">
      <PowerPart restorationId={id} />
    </StageScreen>
  );
}
