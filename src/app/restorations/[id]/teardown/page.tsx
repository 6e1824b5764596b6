import { needsEntered } from '@/edge/entered';
import { redirect } from 'next/navigation';
import { NextOffView } from '@/stages/teardown/NextOffView';
import { StageScreen, stageTitle } from '../StageScreen';

export const metadata = stageTitle('teardown');

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ step?: string }>;
}

export default async function TeardownPage({ params, searchParams }: Props) {
  await needsEntered();
  const { id } = await params;
  const { step } = await searchParams;
  // As the labels on trays and bags have it.
  if (step) redirect(`/restorations/${id}/teardown/off?step=${encodeURIComponent(step)}`);
  return (
    <StageScreen restorationId={id} stage="teardown">
      <NextOffView restorationId={id} />
    </StageScreen>
  );
}
