import { needsEntered } from '@/edge/entered';
import { RecordPieces, RecordStage } from '@/stages/record/RecordStage';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('record', 'pieces');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function PiecesPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="record" view="pieces">
      <RecordStage restorationId={id} of={RecordPieces} />
    </StageScreen>
  );
}
