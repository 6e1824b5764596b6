import { listTubs, ownKnowledge } from '@/data/cleaning';
import { findingsOf } from '@/data/findings';
import { measurementsOf } from '@/data/measurements';
import { piecesOf } from '@/data/pieces';
import { findRestoration } from '@/data/restorations';
import { listStock } from '@/data/stock';
import { timersOf } from '@/data/timers';
import { washSpots } from '@/data/wash';
import { getWorkshop } from '@/data/workshop';
import { findRows } from '@/data/table';
import { bathView } from './bathView';
import { loadViews } from './loadViews';
import { passes, spotView } from './view';
import { WashBench } from './WashBench';

/** The wash: the gentlest thing that works, step by step, and when to stop. */
export async function WashStage({ restorationId }: { restorationId: string }) {
  if (!(await findRestoration(restorationId))) return null;
  const own = await ownKnowledge();
  const [spots, timers, tubs, pieces, findings, measurements, stock, { units }] = await Promise.all([
    washSpots(restorationId, own),
    timersOf(restorationId),
    listTubs(),
    piecesOf(restorationId),
    findingsOf(restorationId),
    measurementsOf(restorationId),
    listStock(),
    getWorkshop(),
  ]);
  const steps = await findRows('sink_steps', { restorationId });
  const bath = bathView(pieces, findings, steps, timers, own, units);
  const lying = new Set(bath.running?.pieces.map(({ id }) => id));
  const { running, next } = passes(
    spots.filter(({ piece, running: at }) => !(at && piece && lying.has(piece.id))),
    timers,
    own,
    units,
  );
  const drying = timers.filter(({ kind }) => kind === 'drying');
  return (
    <WashBench
      restorationId={restorationId}
      bath={bath}
      running={running}
      next={next}
      spots={spots.map((spot) => spotView(spot, own, units))}
      drying={drying.map(({ id, label, startedAt, dueAt }) => ({ id, label, startedAt, dueAt }))}
      loads={await loadViews(restorationId, tubs, own, units)}
      tubs={tubs}
      bottles={stock}
      pieces={pieces.map(({ id, tag, name }) => ({
        id,
        tag,
        name,
        measured: measurements.filter(({ pieceId, stage }) => pieceId === id && stage === 'wash').length,
      }))}
    />
  );
}
