import { viewHref } from '@/core/runsheet/views';
import { InTheLight, type ViewProps } from '../BrightenStage';
import { benchOf, waysFor } from './ways';
import { WaysPart } from './WaysPart';

/** Which way to take with the piece in hand. */
export async function WaysView({ at, asked, sky, now }: ViewProps) {
  const { restorationId, piece, history, past, workshop } = at;
  if (history.running) return <InTheLight at={at} />;
  return (
    <WaysPart
      view={await waysFor(piece, history, past, sky, asked.by ?? null, now, await benchOf(workshop))}
      restorationId={restorationId}
      pieceId={piece.id}
      timeZone={workshop.timeZone}
      currency={workshop.currency}
      by={asked.by ?? null}
      now={now}
      planHref={`${viewHref(restorationId, 'brighten', 'plan')}?piece=${piece.id}`}
    />
  );
}
