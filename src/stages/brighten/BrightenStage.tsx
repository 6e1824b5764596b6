import { adviseAfter } from '@/core/exposure/advice';
import { signed } from '@/core/colour/signed';
import { doseUnit } from '@/core/exposure/dose';
import { exposureForecast } from '@/core/exposure/forecast';
import { priorOf, SCHOOL, type SchoolId } from '@/core/exposure/schools';
import { deltaE00 } from '@/core/colour/difference';
import { showTime, toLocalField } from '@/core/runsheet/time';
import { piecesOf } from '@/data/pieces';
import type { Piece } from '@/data/rows';
import { listStock } from '@/data/stock';
import { runningTimers } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';
import { BeforeAfter } from '@/ui/BeforeAfter';
import { Estimate } from '@/ui/figures';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { LaterExposureForm } from './LaterExposureForm';
import { historyOf, yellowOf, type PieceHistory } from './history';
import { PieceChoice } from './PieceChoice';
import { RunningExposure } from './RunningExposure';
import { AdviceBox, SessionTable } from './SessionHistory';

/** Yellow left, forecast and advice of a piece, from its measurements and sessions. */
function judgePiece(piece: Piece, history: PieceHistory) {
  const treatment = history.treatments.filter(({ endedAt }) => endedAt === null).pop() ?? null;
  const school = SCHOOL[treatment?.school ?? 'cream-film-sun'];
  const yellow = yellowOf(piece, history, school);
  const forecast =
    yellow &&
    exposureForecast({
      ...yellow,
      toleranceB: treatment?.toleranceB ?? 1.5,
      prior: priorOf(school, treatment?.targetPercentWW ?? school.usualPercentWW),
    });
  const latest = history.measurements[history.measurements.length - 1] ?? null;
  const done = history.sessions.filter(({ dose }) => dose !== null);
  const usual = done.length > 0 ? done.reduce((sum, { dose }) => sum + dose!, 0) / done.length : 0;
  return { treatment, school, forecast, latest, advice: adviseAfter(latest?.verdict ?? null, latest?.deltaB ?? null, forecast, usual) };
}

/** Brighten: the pieces, and for the chosen one its advice, its running exposure or the plan of the next. */
export async function BrightenStage({ restorationId, pieceId }: { restorationId: string; pieceId: string | null }) {
  const [pieces, workshop, stock, timers] = await Promise.all([piecesOf(restorationId), getWorkshop(), listStock(), runningTimers()]);
  if (pieces.length === 0)
    return (
      <Part title="Which piece">
        <EmptyPlace action={<LinkButton href={`/restorations/${restorationId}/pieces/new`}>Tag a piece</LinkButton>}>
          Brightening goes piece by piece. Tag them first.
        </EmptyPlace>
      </Part>
    );
  const histories = await Promise.all(pieces.map(historyOf));
  const chosenIndex = Math.max(
    0,
    pieces.findIndex(({ id }) => id === pieceId),
  );
  const piece = pieces[chosenIndex]!;
  const history = histories[chosenIndex]!;
  const { timeZone } = workshop;
  const { treatment, school, forecast, latest, advice } = judgePiece(piece, history);
  const ended = history.sessions.filter(({ endedAt }) => endedAt !== null);
  const needsMeasuring = ended.some(({ measurementId }) => measurementId === null);
  const first = history.measurements[0];
  return (
    <>
      <PieceChoice
        restorationId={restorationId}
        chosen={piece.id}
        rows={pieces.map((row, i) => ({
          piece: row,
          latest: histories[i]!.measurements[histories[i]!.measurements.length - 1] ?? null,
          running: histories[i]!.running !== null,
        }))}
      />
      {history.running ? (
        <RunningExposure
          piece={piece}
          session={history.running}
          timer={timers.find(({ sessionId }) => sessionId === history.running!.id) ?? null}
          timeZone={timeZone}
        />
      ) : (
        <>
          <AdviceBox advice={advice} piece={piece} treatment={treatment} needsMeasuring={needsMeasuring} />
          {forecast && ended.length > 0 && (
            <Part title="How it fades">
              <Estimate
                {...forecast.doseToGo}
                unit={doseUnit(school)}
                label="of dose to go"
                from={`From ${ended.length} ${ended.length === 1 ? 'session' : 'sessions'} of this piece, and the usual rate of this way before them.`}
              />
              {forecast.doubt && <p>{forecast.doubt}</p>}
            </Part>
          )}
          {first && latest && first.photoId !== latest.photoId && (
            <Part title="Before and now">
              <BeforeAfter
                before={{ photoId: first.photoId, words: showTime(first.measuredAt, timeZone) }}
                after={{ photoId: latest.photoId, words: showTime(latest.measuredAt, timeZone) }}
              />
              {first.lab && latest.lab && (
                <p>
                  Changed by ΔE00 {deltaE00(first.lab, latest.lab).toFixed(1)}, b* {signed(latest.lab[2] - first.lab[2])}.
                </p>
              )}
            </Part>
          )}
          <Part title={`Plan an exposure of ${piece.tag} ${piece.name}`} id="plan">
            <LaterExposureForm
              key={piece.id}
              piece={piece}
              stock={stock}
              timeZone={timeZone}
              now={toLocalField(new Date().toISOString(), timeZone)}
              school={firstSchool(treatment?.school, workshop.latitude !== null)}
            />
          </Part>
        </>
      )}
      <SessionTable sessions={history.sessions} measurements={history.measurements} timeZone={timeZone} unit={doseUnit(school)} />
    </>
  );
}

function firstSchool(going: SchoolId | undefined, placeKnown: boolean): SchoolId {
  return going ?? (placeKnown ? 'cream-film-sun' : 'bath-lamp');
}
