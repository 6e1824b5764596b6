import { TeardownStage } from '@/stages/teardown/TeardownStage';
import { StageScreen } from '../StageScreen';

export default async function TeardownPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <StageScreen restorationId={id} stage="teardown" tool={<TeardownStage restorationId={id} />} />;
}
