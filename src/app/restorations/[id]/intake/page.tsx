import { IntakeStage } from '@/stages/intake/IntakeStage';
import { StageScreen } from '../StageScreen';

export default async function IntakePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <StageScreen restorationId={id} stage="intake" tool={<IntakeStage restorationId={id} />} />;
}
