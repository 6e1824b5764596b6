import { needsEntered } from '@/edge/entered';
import { CleanView } from '@/stages/wash/CleanView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('wash', 'clean');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function CleanPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="wash" view="clean">
      <CleanView restorationId={id} />
    </StageScreen>
  );
}
