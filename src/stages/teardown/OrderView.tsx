import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import { teardownOf } from '@/data/teardown';
import { BlockPart } from './BlockPart';

/** What must be on before what. */
export async function OrderView({ restorationId }: { restorationId: string }) {
  const { steps, blocks } = await teardownOf(restorationId);
  const { circles } = rebuildOrder(
    steps.map(({ id }) => id),
    blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );
  return <BlockPart restorationId={restorationId} steps={steps} blocks={blocks} circles={circles} />;
}
