import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import { listPeople } from '@/data/people';
import { photosOf } from '@/data/photos/store';
import { findRestoration } from '@/data/restorations';
import { piecesOf } from '@/data/pieces';
import { titlesOf } from '@/data/restorations';
import { inTrays, listTrays, teardownOf } from '@/data/teardown';
import { TeardownBench } from './TeardownBench';

/** Taking apart on record: what came off, how it was held, and what must be on before what. */
export async function TeardownStage({ restorationId, opened }: { restorationId: string; opened: string | null }) {
  if (!(await findRestoration(restorationId))) return null;
  const [teardown, trays, photos, people, lying, pieces] = await Promise.all([
    teardownOf(restorationId),
    listTrays(),
    photosOf(restorationId),
    listPeople(),
    inTrays(),
    piecesOf(restorationId),
  ]);
  const others = lying.filter((lot) => lot.restorationId !== restorationId);
  const titles = await titlesOf(others.map((lot) => lot.restorationId));
  const taken = others.flatMap(({ tray, cell, restorationId: of }) => (cell === null ? [] : [{ tray, cell, machine: titles.get(of) ?? '' }]));
  const { circles } = rebuildOrder(
    teardown.steps.map(({ id }) => id),
    teardown.blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );
  const sizes = Object.fromEntries(photos.map(({ id, width, height }) => [id, { width, height }]));
  return (
    <TeardownBench
      restorationId={restorationId}
      {...teardown}
      trays={trays}
      taken={taken}
      pieces={pieces}
      circles={circles}
      sizes={sizes}
      people={people.map(({ name }) => name)}
      opened={opened}
    />
  );
}
