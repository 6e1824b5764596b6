import { needsEntered } from '@/edge/entered';
import { MakeScreen } from '@/stages/mend/MakeView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('mend', 'make');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[]>>;
}

export default async function MendMakePage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, asked] = await Promise.all([params, searchParams]);
  // An address may name a thing twice.
  const once = Object.fromEntries(Object.entries(asked).filter(([, words]) => typeof words === 'string'));
  return (
    <StageScreen restorationId={id} stage="mend" view="make">
      <MakeScreen {...once} restorationId={id} />
    </StageScreen>
  );
}
