import { needsEntered } from '@/edge/entered';
import { OffView } from '@/stages/teardown/OffView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('teardown', 'off');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ step?: string }>;
}

export default async function OffPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  const { step } = await searchParams;
  return (
    <StageScreen restorationId={id} stage="teardown" view="off">
      <OffView restorationId={id} opened={step ?? null} />
    </StageScreen>
  );
}
