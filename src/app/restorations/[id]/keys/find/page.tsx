import { needsEntered } from '@/edge/entered';
import { FindScreen } from '@/stages/keys/FindView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('keys', 'find');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ board?: string }>;
}

export default async function KeysFindPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="keys" view="find">
      <FindScreen restorationId={id} board={(await searchParams).board} />
    </StageScreen>
  );
}
