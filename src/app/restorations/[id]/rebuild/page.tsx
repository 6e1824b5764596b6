import { needsEntered } from '@/edge/entered';
import { clock } from '@/edge/clock';
import { NextOnView } from '@/stages/rebuild/NextOnView';
import { rebuildFinished } from '@/stages/rebuild/way';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('rebuild');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function RebuildPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="rebuild" finished={await rebuildFinished(id, clock())}>
      <NextOnView restorationId={id} />
    </StageScreen>
  );
}
