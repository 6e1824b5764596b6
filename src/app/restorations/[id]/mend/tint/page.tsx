import { needsEntered } from '@/edge/entered';
import { MixtureScreen } from '@/measuring/drops/MixtureScreen';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('mend', 'tint');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ photo?: string }>;
}

export default async function MendTintPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="mend" view="tint">
      <MixtureScreen restorationId={id} use="cast" photo={photo} />
    </StageScreen>
  );
}
