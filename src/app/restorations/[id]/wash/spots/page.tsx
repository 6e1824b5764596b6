import { needsEntered } from '@/edge/entered';
import { SpotsView } from '@/stages/wash/SpotsView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('wash', 'spots');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ spot?: string }>;
}

export default async function SpotsPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  const { spot } = await searchParams;
  return (
    <StageScreen restorationId={id} stage="wash" view="spots">
      <SpotsView restorationId={id} spot={spot ?? null} />
    </StageScreen>
  );
}
