import { needsEntered } from '@/edge/entered';
import { RecordDone, RecordStage } from '@/stages/record/RecordStage';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('record', 'done');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function DonePage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="record" view="done">
      <RecordStage restorationId={id} of={RecordDone} />
    </StageScreen>
  );
}
