import { needsEntered } from '@/edge/entered';
import { BathsView } from '@/stages/wash/BathsView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('wash', 'baths');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function BathsPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="wash" view="baths">
      <BathsView restorationId={id} />
    </StageScreen>
  );
}
