import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import { holdsOf } from '@/work/rebuild/rules';
import { teardownOf } from '@/data/teardown';

/** The way back of a teardown. */
export const wayOf = ({ steps, blocks }: Awaited<ReturnType<typeof teardownOf>>) =>
  rebuildOrder(
    steps.map(({ id }) => id),
    blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );

/** Whether everything is on and nothing holds the case open. */
export async function rebuildFinished(restorationId: string, now: Date): Promise<boolean> {
  const { steps } = await teardownOf(restorationId);
  return steps.every(({ onAt }) => onAt !== null) && (await holdsOf(restorationId, now)).length === 0;
}
