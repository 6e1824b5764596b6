import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import { listPeople } from '@/data/people';
import { photosOf } from '@/data/photos/store';
import { piecesOf } from '@/data/pieces';
import { titlesOf } from '@/data/restorations';
import { inTrays, listTrays, teardownOf } from '@/data/teardown';
import { BlockPart } from './BlockPart';
import { FilesPart } from './FilesPart';
import { OffPart } from './OffPart';
import { TeardownBench } from './TeardownBench';
import { TrayPart } from './TrayPart';

interface Props {
  restorationId: string;
}

/** What a card of a step needs beside the step. */
async function cardsOf(restorationId: string) {
  const [teardown, trays, photos, pieces] = await Promise.all([
    teardownOf(restorationId),
    listTrays(),
    photosOf(restorationId),
    piecesOf(restorationId),
  ]);
  const sizes = Object.fromEntries(photos.map(({ id, width, height }) => [id, { width, height }]));
  return { ...teardown, trays, pieces, sizes };
}

/** At the bench: the step in hand, and the next thing off. */
export async function NextOffView({ restorationId }: Props) {
  const [cards, people] = await Promise.all([cardsOf(restorationId), listPeople()]);
  return <TeardownBench restorationId={restorationId} {...cards} people={people.map(({ name }) => name)} />;
}

/** Every step so far, and what was off before the work began. */
export async function OffView({ restorationId, opened }: Props & { opened: string | null }) {
  const { steps, lots, connections, trays, pieces, sizes } = await cardsOf(restorationId);
  return <OffPart {...{ restorationId, steps, lots, connections, trays, pieces, sizes, opened }} />;
}

/** The tray as a tray, with its labels. */
export async function TrayView({ restorationId }: Props) {
  const [{ steps, lots }, trays, lying] = await Promise.all([teardownOf(restorationId), listTrays(), inTrays()]);
  const others = lying.filter((lot) => lot.restorationId !== restorationId);
  const titles = await titlesOf(others.map((lot) => lot.restorationId));
  const taken = others.flatMap(({ tray, cell, restorationId: of }) => (cell === null ? [] : [{ tray, cell, machine: titles.get(of) ?? '' }]));
  return (
    <>
      <TrayPart lots={lots} steps={steps} trays={trays} taken={taken} />
      <FilesPart restorationId={restorationId} lots={lots.length} />
    </>
  );
}

/** What must be on before what. */
export async function OrderView({ restorationId }: Props) {
  const { steps, blocks } = await teardownOf(restorationId);
  const { circles } = rebuildOrder(
    steps.map(({ id }) => id),
    blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );
  return <BlockPart restorationId={restorationId} steps={steps} blocks={blocks} circles={circles} />;
}
