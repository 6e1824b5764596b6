import { cardsOf } from './cards';
import { OffPart } from './OffPart';

/** Every step so far, and what was off before the work began. */
export async function OffView({ restorationId, opened }: { restorationId: string; opened: string | null }) {
  const { steps, lots, connections, trays, pieces, sizes } = await cardsOf(restorationId);
  return <OffPart {...{ restorationId, steps, lots, connections, trays, pieces, sizes, opened }} />;
}
