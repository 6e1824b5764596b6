import { needsEntered } from '@/edge/entered';
import { RecordNow, RecordStage } from '@/stages/record/RecordStage';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('record');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function RecordPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="record">
      <RecordStage restorationId={id} of={RecordNow} />
    </StageScreen>
  );
}
