import { needsEntered } from '@/edge/entered';
import { MixtureScreen } from '@/measuring/drops/MixtureScreen';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('finish', 'paint');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ photo?: string }>;
}

export default async function PaintPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="finish" view="paint">
      <MixtureScreen restorationId={id} use="paint" photo={photo} />
    </StageScreen>
  );
}
