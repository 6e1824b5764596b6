import { doseUnit } from '@/core/fade/dose';
import { toLocalField } from '@/core/runsheet/time';
import { EmptyPlace, Part } from '@/ui/layout';
import type { ViewProps } from '../BrightenStage';
import { judgePiece } from '../judge';
import { LaterPredictPart, LaterRehearsePart } from '../laterParts';

/** What more sessions would make of the piece, and a session tried out before it is done. */
export function AheadView({ at, now }: ViewProps) {
  const { piece, history, past, workshop } = at;
  const { forecast, school } = judgePiece(piece, history, past);
  return (
    <>
      <Part title="What it should look like" id="looks">
        {forecast ? (
          <LaterPredictPart pieceId={piece.id} unit={doseUnit(school)} />
        ) : (
          <EmptyPlace>
            Measure it with a card and its hidden patch; then its own photograph is recoloured, session by session.
          </EmptyPlace>
        )}
      </Part>
      <Part title="Rehearse it" id="rehearse">
        <LaterRehearsePart
          pieceId={piece.id}
          timeZone={workshop.timeZone}
          start={toLocalField(now.toISOString(), workshop.timeZone)}
        />
      </Part>
    </>
  );
}
