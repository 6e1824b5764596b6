import { needsEntered } from '@/edge/entered';
import { BoardScreen } from '@/stages/keys/BoardView';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('keys');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ board?: string; photo?: string }>;
}

export default async function KeysPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { board, photo }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="keys">
      <BoardScreen restorationId={id} board={board} photo={photo} />
    </StageScreen>
  );
}
