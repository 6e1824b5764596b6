import { needsEntered } from '@/edge/entered';
import { TestPart } from '@/stages/intake/TestPart';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('intake', 'test');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function TestPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="intake" view="test">
      <TestPart restorationId={id} />
    </StageScreen>
  );
}
