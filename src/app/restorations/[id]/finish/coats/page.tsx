import { clock } from '@/edge/clock';
import { needsEntered } from '@/edge/entered';
import { CoatsScreen } from '@/stages/finish/CoatsView';
import { air } from '../../../../sky';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('finish', 'coats');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ job?: string; photo?: string; row?: string }>;
}

export default async function CoatsPage({ params, searchParams }: Props) {
  await needsEntered();
  const [{ id }, { job, photo, row }] = await Promise.all([params, searchParams]);
  return (
    <StageScreen restorationId={id} stage="finish" view="coats">
      <CoatsScreen restorationId={id} job={job} photo={photo} row={row} air={air} now={clock()} />
    </StageScreen>
  );
}
