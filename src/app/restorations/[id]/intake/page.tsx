import { needsEntered } from '@/edge/entered';
import { SurveyView } from '@/stages/intake/SurveyView';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('intake');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function IntakePage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="intake">
      <SurveyView restorationId={id} />
    </StageScreen>
  );
}
