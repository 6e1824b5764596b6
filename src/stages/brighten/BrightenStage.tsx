import { viewHref } from '@/core/runsheet/views';
import type { SkySource } from '@/core/session/sessions';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { atHand, type AskedView, type AtHand } from './atHand';
import { PieceChoice } from './PieceChoice';

/** What a view of the brightening is given. */
export interface ViewProps {
  at: AtHand;
  asked: AskedView;
  sky: SkySource;
  now: Date;
}

interface Props {
  restorationId: string;
  view: string;
  asked: AskedView;
  sky: SkySource;
  now: Date;
  of: (props: ViewProps) => React.ReactNode;
}

/** A view of the brightening: the pieces in a row, and what the view says of the one in hand. */
export async function BrightenStage({ restorationId, view, asked, sky, now, of: Of }: Props) {
  const at = await atHand(restorationId, asked.piece, now);
  if (at.piece === null)
    return (
      <Part title="Which piece">
        <EmptyPlace action={<LinkButton href={`/restorations/${restorationId}/pieces/new`}>Tag a piece</LinkButton>}>
          {at.tagged
            ? 'None of the tagged pieces is plastic, and only plastic is brightened.'
            : 'Brightening goes piece by piece. Tag them first.'}
        </EmptyPlace>
      </Part>
    );
  return (
    <>
      <PieceChoice
        here={viewHref(restorationId, 'brighten', view)}
        chosen={at.piece.id}
        rows={at.pieces.map((row, i) => ({
          piece: row,
          latest: at.histories[i]!.measurements[at.histories[i]!.measurements.length - 1] ?? null,
          running: at.histories[i]!.running !== null,
        }))}
      />
      {/* What was worked out for one piece never stands below another. */}
      <Of key={at.piece.id} at={at} asked={asked} sky={sky} now={now} />
    </>
  );
}

/** Said where a piece is in the light: what is chosen and planned comes after it. */
export function InTheLight({ at: { piece, restorationId } }: { at: AtHand }) {
  return (
    <EmptyPlace
      action={<LinkButton href={`${viewHref(restorationId, 'brighten')}?piece=${piece.id}`}>See it run</LinkButton>}
    >
      {piece.tag} {piece.name} is in the light. The next session is planned when this one is over and the piece is
      measured.
    </EmptyPlace>
  );
}
