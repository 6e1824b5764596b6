import { type Sink } from './sink';
import { spotView } from './view';
import { WashBench } from './WashBench';

/** The wash: the gentlest thing that works, pass by pass. */
export function SinkView({
  restorationId,
  sink,
  taken,
}: {
  restorationId: string;
  sink: Sink;
  taken: { spot: string; agent: string } | null;
}) {
  const { own, spots, timers, bath, units, running, next } = sink;
  const views = spots.map((spot) => spotView(spot, own, units));
  // A rung that somebody takes by hand stands at the sink as any other.
  const byHand =
    taken &&
    (views.find(({ id }) => id === taken.spot)?.rungs.find(({ agent }) => agent === taken.agent)?.byHand ?? null);
  const drying = timers.filter(({ kind }) => kind === 'drying');
  return (
    <WashBench
      restorationId={restorationId}
      bath={bath}
      running={running}
      next={next}
      byHand={byHand}
      asked={taken !== null}
      spots={views.map(({ settled, soil }) => ({ settled: settled !== null, named: soil !== null }))}
      begun={spots.some(({ done }) => done.length > 0)}
      drying={drying.map(({ id, label, startedAt, dueAt }) => ({ id, label, startedAt, dueAt }))}
    />
  );
}
