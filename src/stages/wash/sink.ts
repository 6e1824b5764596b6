import { ownKnowledge } from '@/data/cleaning';
import { findingsOf } from '@/data/findings';
import { piecesOf } from '@/data/pieces';
import { findRows } from '@/data/table';
import { timersOf } from '@/data/timers';
import { washSpots } from '@/work/wash/spots';
import { getWorkshop } from '@/data/workshop';
import { bathView } from './bathView';
import { passes } from './view';

/** What stands at the sink: the spots with their ladders, the bath, and what runs. */
export async function sinkOf(restorationId: string) {
  const own = await ownKnowledge();
  const [spots, timers, pieces, findings, { units }, steps] = await Promise.all([
    washSpots(restorationId, own),
    timersOf(restorationId),
    piecesOf(restorationId),
    findingsOf(restorationId),
    getWorkshop(),
    findRows('sink_steps', { restorationId }),
  ]);
  const bath = bathView(pieces, findings, steps, timers, own, units);
  const lying = new Set(bath.running?.pieces.map(({ id }) => id));
  const atSink = spots.filter(({ piece, running: at }) => !(at && piece && lying.has(piece.id)));
  return { own, spots, timers, bath, units, ...passes(atSink, timers, own, units) };
}

export type Sink = Awaited<ReturnType<typeof sinkOf>>;

/** Whether everything that asked for the wash is closed and nothing waits for the bath. */
export const isWashed = ({ spots, bath }: Sink): boolean =>
  spots.length > 0 &&
  spots.every(({ finding }) => finding.settledAs !== null) &&
  bath.running === null &&
  bath.pieces.every(({ bathed, out }) => bathed || out !== null);
