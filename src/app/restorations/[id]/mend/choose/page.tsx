import { needsEntered } from '@/edge/entered';
import { ChooseScreen } from '@/stages/mend/ChooseView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('mend', 'choose');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ finding?: string; school?: string; again?: string }>;
}

export default async function MendChoosePage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, asked] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="mend" view="choose">
      <ChooseScreen restorationId={id} {...asked} />
    </StageScreen>
  );
}
