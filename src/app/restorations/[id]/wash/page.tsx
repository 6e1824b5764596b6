import { needsEntered } from '@/edge/entered';
import { WashStage } from '@/stages/wash/WashStage';
import { StageScreen } from '../StageScreen';

export default async function WashPage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  return <StageScreen restorationId={id} stage="wash" tool={<WashStage restorationId={id} />} />;
}
