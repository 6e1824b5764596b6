import { needsEntered } from '@/edge/entered';
import { TrayView } from '@/stages/teardown/TrayView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('teardown', 'tray');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function TrayPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="teardown" view="tray">
      <TrayView restorationId={id} />
    </StageScreen>
  );
}
