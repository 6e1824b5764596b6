import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import { RebuildStage } from '@/stages/rebuild/RebuildStage';
import { StageScreen } from '../StageScreen';

export default async function RebuildPage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  return <StageScreen restorationId={id} stage="rebuild" tool={<RebuildStage restorationId={id} now={clock()} />} />;
}
