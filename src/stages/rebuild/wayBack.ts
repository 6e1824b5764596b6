import type { RebuildOrder } from '@/core/teardown/rebuildOrder';
import type { BlockRow, RemovalStep } from '@/data/rows';

/** Names of those that a step goes in before though it came off before them; `null` where it goes on in the plain reverse. */
export function passedBy(
  id: string,
  way: RebuildOrder,
  steps: readonly Pick<RemovalStep, 'id' | 'name'>[],
  blocks: readonly Pick<BlockRow, 'firstId' | 'thenId'>[],
): string[] | null {
  if (!way.early.some(({ step }) => step === id)) return null;
  const passed = blocks
    .filter(({ firstId }) => firstId === id)
    .map(({ thenId }) => steps.find((step) => step.id === thenId)?.name ?? '');
  return passed.length > 0 ? passed : null;
}
