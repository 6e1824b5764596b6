import { needsEntered } from '@/edge/entered';
import { MendScreen } from '@/stages/keys/MendView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('keys', 'mend');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ board?: string }>;
}

export default async function KeysMendPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="keys" view="mend">
      <MendScreen restorationId={id} board={(await searchParams).board} />
    </StageScreen>
  );
}
