import { listTubs, ownKnowledge } from '@/data/cleaning';
import { findingsOf } from '@/data/findings';
import { measurementsOf } from '@/data/measurements';
import { photosOf } from '@/data/photos/store';
import { piecesOf } from '@/data/pieces';
import { listStock } from '@/data/stock';
import { findRows } from '@/data/table';
import { timersOf } from '@/data/timers';
import { washSpots } from '@/data/wash';
import { getWorkshop } from '@/data/workshop';
import { bathView } from './bathView';
import { CleanPart } from './CleanPart';
import { loadViews } from './loadViews';
import { SpotsPart } from './SpotsPart';
import { TubPart } from './TubPart';
import { UsedPart } from './UsedPart';
import { passes, spotView } from './view';
import { WashBench } from './WashBench';

interface Props {
  restorationId: string;
}

/** What stands at the sink: the spots with their ladders, the bath, and what runs. */
async function sinkOf(restorationId: string) {
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

/** Whether everything that asked for the wash is closed and nothing waits for the bath. */
export async function washFinished(restorationId: string): Promise<boolean> {
  const { spots, bath } = await sinkOf(restorationId);
  return (
    spots.length > 0 &&
    spots.every(({ finding }) => finding.settledAs !== null) &&
    bath.running === null &&
    bath.pieces.every(({ bathed, out }) => bathed || out !== null)
  );
}

/** The wash: the gentlest thing that works, pass by pass. */
export async function SinkView({ restorationId, taken }: Props & { taken: { spot: string; agent: string } | null }) {
  const { own, spots, timers, bath, units, running, next } = await sinkOf(restorationId);
  const views = spots.map((spot) => spotView(spot, own, units));
  // A rung that somebody takes by hand stands at the sink as any other.
  const byHand = taken && (views.find(({ id }) => id === taken.spot)?.rungs.find(({ agent }) => agent === taken.agent)?.byHand ?? null);
  const drying = timers.filter(({ kind }) => kind === 'drying');
  return (
    <WashBench
      restorationId={restorationId}
      bath={bath}
      running={running}
      next={next}
      byHand={byHand}
      spots={views.map(({ settled, soil }) => ({ settled: settled !== null, named: soil !== null }))}
      drying={drying.map(({ id, label, startedAt, dueAt }) => ({ id, label, startedAt, dueAt }))}
    />
  );
}

/** The spots on their photographs, one ladder at a time. */
export async function SpotsView({ restorationId, spot }: Props & { spot: string | null }) {
  const [{ own, spots, units }, photos] = await Promise.all([sinkOf(restorationId), photosOf(restorationId)]);
  const pinned = new Set(spots.flatMap(({ finding }) => finding.photoId ?? []));
  return (
    <SpotsPart
      restorationId={restorationId}
      spots={spots.map((of) => ({ ...spotView(of, own, units), photoId: of.finding.photoId, pin: of.finding.pin }))}
      photos={photos.filter(({ id }) => pinned.has(id)).map(({ id, width, height, originalName }) => ({ id, width, height, originalName }))}
      first={spot}
    />
  );
}

/** How clean, measured before and after. */
export async function CleanView({ restorationId }: Props) {
  const [pieces, measurements] = await Promise.all([piecesOf(restorationId), measurementsOf(restorationId)]);
  return (
    <CleanPart
      restorationId={restorationId}
      pieces={pieces.map(({ id, tag, name }) => ({
        id,
        tag,
        name,
        measured: measurements.filter(({ pieceId, stage }) => pieceId === id && stage === 'wash').length,
      }))}
    />
  );
}

/** What can share a bath, what was used of the stores, and the sheet for the wall. */
export async function BathsView({ restorationId }: Props) {
  const own = await ownKnowledge();
  const [tubs, stock, { units }] = await Promise.all([listTubs(), listStock(), getWorkshop()]);
  const [first, ...rest] = stock;
  return (
    <>
      <TubPart loads={await loadViews(restorationId, tubs, own, units)} tubs={tubs} />
      {first && <UsedPart restorationId={restorationId} bottles={[first, ...rest]} />}
      <p>
        <a href={`/api/restorations/${restorationId}/wash`} download style={{ textDecoration: 'underline', minHeight: 44, display: 'inline-block' }}>
          Sheet for the wall as PDF
        </a>
      </p>
    </>
  );
}
