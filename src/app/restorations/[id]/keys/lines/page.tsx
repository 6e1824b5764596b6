import { needsEntered } from '@/edge/entered';
import { LinesScreen } from '@/stages/keys/LinesView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('keys', 'lines');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ board?: string }>;
}

export default async function KeysLinesPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="keys" view="lines">
      <LinesScreen restorationId={id} board={(await searchParams).board} />
    </StageScreen>
  );
}
