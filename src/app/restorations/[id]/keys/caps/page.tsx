import { needsEntered } from '@/edge/entered';
import { CapsScreen } from '@/stages/keys/CapsView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('keys', 'caps');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ board?: string; photo?: string }>;
}

export default async function KeysCapsPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { board, photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="keys" view="caps">
      <CapsScreen restorationId={id} board={board} photo={photo} />
    </StageScreen>
  );
}
