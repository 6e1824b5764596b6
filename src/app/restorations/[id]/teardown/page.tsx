import { needsEntered } from '@/edge/entered';
import { TeardownStage } from '@/stages/teardown/TeardownStage';
import { StageScreen } from '../StageScreen';

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ step?: string }>;
}

export default async function TeardownPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  const { step } = await searchParams;
  return <StageScreen restorationId={id} stage="teardown" tool={<TeardownStage restorationId={id} opened={step ?? null} />} />;
}
