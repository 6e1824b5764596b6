import { needsEntered } from '@/edge/entered';
import { OriginalScreen } from '@/stages/finish/OriginalView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('finish', 'original');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ photo?: string }>;
}

export default async function OriginalPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="finish" view="original">
      <OriginalScreen restorationId={id} photo={photo} />
    </StageScreen>
  );
}
