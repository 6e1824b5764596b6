import { needsEntered } from '@/edge/entered';
import { RustScreen } from '@/stages/finish/RustView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('finish', 'rust');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ finding?: string; photo?: string; again?: string }>;
}

export default async function RustPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, asked] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="finish" view="rust">
      <RustScreen restorationId={id} {...asked} />
    </StageScreen>
  );
}
