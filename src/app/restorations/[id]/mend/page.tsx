import { needsEntered } from '@/edge/entered';
import { mendNow, NowScreen } from '@/stages/mend/NowView';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('mend');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ repair?: string }>;
}

export default async function MendPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { repair }] = await Promise.all([params, searchParams]);
  const now = await mendNow(id, repair);
  return (
    <StageScreen restorationId={id} stage="mend" finished={now.running.length + now.open.length === 0}>
      <NowScreen restorationId={id} {...now} />
    </StageScreen>
  );
}
