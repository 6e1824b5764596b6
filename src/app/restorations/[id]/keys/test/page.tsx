import { needsEntered } from '@/edge/entered';
import { TestScreen } from '@/stages/keys/TestView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('keys', 'test');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ board?: string }>;
}

export default async function KeysTestPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="keys" view="test">
      <TestScreen restorationId={id} board={(await searchParams).board} />
    </StageScreen>
  );
}
