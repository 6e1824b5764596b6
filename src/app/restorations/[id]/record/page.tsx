import { needsEntered } from '@/edge/entered';
import { RecordStage } from '@/stages/record/RecordStage';
import { StageScreen } from '../StageScreen';

export default async function RecordPage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  return <StageScreen restorationId={id} stage="record" tool={<RecordStage restorationId={id} />} />;
}
