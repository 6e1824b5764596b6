import { powerDecided } from '@/data/firstPower';
import { functionTestsOf } from '@/data/functionTests';
import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import { listPeople } from '@/data/people';
import { photosOf } from '@/data/photos/store';
import { findRestoration } from '@/data/restorations';
import { teardownOf } from '@/data/teardown';
import { holdsOf } from '@/data/rebuild';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { RebuildBench } from './RebuildBench';

/** The way back, computed from what came off and what must be on before what. */
export async function RebuildStage({ restorationId, now }: { restorationId: string; now: Date }) {
  if (!(await findRestoration(restorationId))) return null;
  const [{ steps, lots, connections, blocks }, tests, photos, holds, people, power] = await Promise.all([
    teardownOf(restorationId),
    functionTestsOf(restorationId),
    photosOf(restorationId),
    holdsOf(restorationId, now),
    listPeople(),
    powerDecided([restorationId]),
  ]);
  if (steps.length === 0)
    return (
      <Part title="The way back">
        <EmptyPlace action={<LinkButton href={`/restorations/${restorationId}/teardown`}>Go to teardown</LinkButton>}>
          Nothing was taken off on record, so there is no way back to compute. Write down what came off, even afterwards, or mark this stage by hand
          below.
        </EmptyPlace>
      </Part>
    );
  const way = rebuildOrder(
    steps.map(({ id }) => id),
    blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );
  const sizes = Object.fromEntries(photos.map(({ id, width, height }) => [id, { width, height }]));
  return (
    <RebuildBench
      restorationId={restorationId}
      steps={steps}
      lots={lots}
      connections={connections}
      blocks={blocks}
      way={way}
      holds={holds}
      tests={tests}
      power={power.get(restorationId) ?? null}
      sizes={sizes}
      people={people.map(({ name }) => name)}
    />
  );
}
