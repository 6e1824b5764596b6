import { needsEntered } from '@/edge/entered';
import { PolishScreen } from '@/stages/finish/PolishView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('finish', 'polish');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ photo?: string }>;
}

export default async function PolishPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="finish" view="polish">
      <PolishScreen restorationId={id} photo={photo} />
    </StageScreen>
  );
}
