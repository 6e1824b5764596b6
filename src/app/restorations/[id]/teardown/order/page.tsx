import { needsEntered } from '@/edge/entered';
import { OrderView } from '@/stages/teardown/OrderView';
import { StageScreen, stageTitle } from '../../StageScreen';

export const metadata = stageTitle('teardown', 'order');

interface Props {
  params: Promise<{ id: string }>;
}

export default async function OrderPage({ params }: Props) {
  await needsEntered();
  const { id } = await params;
  return (
    <StageScreen restorationId={id} stage="teardown" view="order">
      <OrderView restorationId={id} />
    </StageScreen>
  );
}
