import { needsEntered } from '@/edge/entered';
import { MeasureScreen } from '@/stages/mend/MeasureView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('mend', 'measure');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ photo?: string }>;
}

export default async function MendMeasurePage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="mend" view="measure">
      <MeasureScreen restorationId={id} photo={photo} />
    </StageScreen>
  );
}
