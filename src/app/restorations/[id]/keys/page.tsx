import { needsEntered } from '@/edge/entered';
import { BoardScreen } from '@/stages/keys/KeysViews';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('keys');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ board?: string }>;
}

export default async function KeysPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="keys">
      <BoardScreen restorationId={id} board={(await searchParams).board} />
    </StageScreen>
  );
}
