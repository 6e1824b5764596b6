import { needsEntered } from '@/edge/entered';
import { MakeScreen } from '@/stages/mend/MakeView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('mend', 'make');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ photo?: string }>;
}

export default async function MendMakePage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="mend" view="make">
      <MakeScreen restorationId={id} photo={photo} />
    </StageScreen>
  );
}
