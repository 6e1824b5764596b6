import { adviseAfter } from '@/core/exposure/advice';
import { signed } from '@/core/colour/signed';
import { doseUnit } from '@/core/exposure/dose';
import { exposureForecast, fadeCurve, type Forecast, type ForecastInput } from '@/core/exposure/forecast';
import { priorOf, SCHOOL, SCHOOLS, type School, type SchoolId } from '@/core/exposure/schools';
import type { SkySource } from '@/core/exposure/sessions';
import type { Turn } from '@/core/exposure/turnPlan';
import { warmthInSun, type Warmth } from '@/core/exposure/warmth';
import { deltaE00 } from '@/core/colour/difference';
import { sunAndUv } from '@/core/sun/day';
import { showTime, toLocalField } from '@/core/runsheet/time';
import { PIECE_REGION } from '@/data/measurements';
import { looksOf } from '@/data/looks';
import { piecesOf } from '@/data/pieces';
import type { Piece, Session } from '@/data/rows';
import { listStock } from '@/data/stock';
import { runningTimers } from '@/data/timers';
import { getWorkshop, listObstacles } from '@/data/workshop';
import { BeforeAfter } from '@/ui/BeforeAfter';
import { Estimate } from '@/ui/figures';
import { FaultWords } from '@/ui/FaultWords';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { Worked } from '@/ui/Worked';
import { LinkButton } from '@/ui/links';
import { LaterExposureForm } from './LaterExposureForm';
import type { FadeView } from './FadePart';
import { LaterRunningExposure, LaterChangePart, LaterFadePart, LaterPredictPart, LaterSkyPart, LaterRehearsePart, LaterTurnPart } from './laterParts';
import { pastPieces, pooledFrom, type Past } from './pooled';
import { LEAN_DEG, turnsOf } from './turnsOf';
import { waysFor, type WaysView } from './ways';
import { WaysPart } from './WaysPart';
import { fadeWorking } from './workings';
import { SetPart } from './SetPart';
import { historyOf, yellowOf, type PieceHistory } from './history';
import { PieceChoice } from './PieceChoice';
import { LooksPart } from './LooksPart';
import { AdviceBox, SessionTable } from './SessionHistory';

/** Yellow left, forecast and advice of a piece, from its measurements and sessions. */
function judgePiece(piece: Piece, history: PieceHistory, past: readonly Past[]) {
  const treatment = history.treatments.filter(({ endedAt }) => endedAt === null).pop() ?? null;
  const school = SCHOOL[treatment?.school ?? 'cream-film-sun'];
  const yellow = yellowOf(piece, history, school);
  const pooled = pooledFrom(past, school, piece.plastic);
  const input = yellow && {
    ...yellow,
    toleranceB: treatment?.toleranceB ?? 1.5,
    prior: pooled.pieces > 0 ? pooled.prior : priorOf(school, treatment?.targetPercentWW ?? school.usualPercentWW),
  };
  const forecast = input && exposureForecast(input);
  const latest = history.measurements[history.measurements.length - 1] ?? null;
  const advice = adviseAfter({
    verdict: latest?.verdict ?? null,
    deltaB: latest?.deltaB ?? null,
    evenness: latest?.result.regions.find(({ id }) => id === PIECE_REGION)?.evenness ?? 0,
    forecast,
    session: usualSession(history, school),
  });
  return {
    treatment,
    school,
    forecast,
    latest,
    pooled,
    advice,
    fade: input && forecast && fadeView(input, forecast, doseUnit(school)),
    working: input && forecast && fadeWorking(input, forecast, doseUnit(school)),
  };
}

/** What a session of this piece has given and asked so far, at the mean. */
function usualSession({ sessions }: PieceHistory, { hands }: School): { dose: number; handsMin: number; waitingH: number } {
  const done = sessions.filter(({ dose }) => dose !== null);
  const mean = (of: (session: Session) => number) => (done.length === 0 ? 0 : done.reduce((sum, session) => sum + of(session), 0) / done.length);
  return {
    dose: mean(({ dose }) => dose!),
    handsMin: Math.round(hands.setUpMin + mean(({ turns }) => turns.length) * hands.turnMin),
    waitingH: mean(({ actualMin }) => actualMin!) / 60,
  };
}

function fadeView(input: ForecastInput, forecast: Forecast, unit: string): FadeView {
  let done = 0;
  const measured = input.sessions.flatMap(({ dose, measuredB }) => {
    done += dose;
    return measuredB === null ? [] : [{ dose: done, b: measuredB }];
  });
  return { curve: fadeCurve(input, forecast), measured: [{ dose: 0, b: input.startB }, ...measured], targetB: input.targetB, unit };
}

const HOUR_MS = 3_600_000;

interface Props {
  restorationId: string;
  pieceId: string | null;
  /** The way chosen in the comparison. */
  way: string | null;
  /** Day by which it is wanted, like 2026-06-21. */
  by: string | null;
  sky: SkySource;
}

/** Brighten: the pieces, and for the chosen one its advice, its running exposure or the plan of the next. */
export async function BrightenStage({ restorationId, pieceId, way, by, sky }: Props) {
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
  const past = await pastPieces(piece);
  const { treatment, school, forecast, latest, advice, pooled, fade, working } = judgePiece(piece, history, past);
  const here = `/restorations/${restorationId}/brighten?piece=${piece.id}`;
  const chosen = SCHOOLS.find((id) => id === way) ?? null;
  const ways = history.running ? null : await waysFor(piece, history, past, sky, by);
  const planned = chosen ?? firstSchool(treatment?.school, workshop.latitude !== null);
  const window = nextWindow(ways, planned);
  const looks = (await looksOf(restorationId)).filter((look) => look.pieceId === piece.id);
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
        <LaterRunningExposure
          piece={piece}
          session={history.running}
          turns={await turnsOfRunning(piece, history, workshop.latitude !== null && workshop.longitude !== null)}
          timer={timers.find(({ sessionId, kind }) => sessionId === history.running!.id && kind === 'exposure') ?? null}
          tending={timers.filter(({ sessionId, kind }) => sessionId === history.running!.id && kind !== 'exposure')}
          warmth={await warmthOfRunning(history)}
          timeZone={timeZone}
        />
      ) : (
        <>
          {history.set && <SetPart set={history.set} />}
          <FaultWords
            fault={latest?.result.regions.find(({ id }) => id === PIECE_REGION)?.fault}
            lightChanges={latest?.result.warnings.some((warning) => warning.startsWith('The light changes')) ?? false}
          />
          <AdviceBox advice={advice} piece={piece} treatment={treatment} needsMeasuring={needsMeasuring} />
          {forecast && ended.length > 0 && (
            <Part title="How it fades" id="fades">
              <Estimate
                {...forecast.doseToGo}
                unit={doseUnit(school)}
                label="of dose to go"
                from={`From ${ended.length} ${ended.length === 1 ? 'session' : 'sessions'} of this piece, and before them ${pooled.pieces > 0 ? `${pooled.pieces} past ${pooled.pieces === 1 ? 'piece' : 'pieces'} of this workshop` : 'the usual rate of this way'}.`}
              />
              {forecast.doubt && <p>{forecast.doubt}</p>}
              {fade && <LaterFadePart {...fade} />}
              {working && (
                <Worked
                  lines={working}
                  source="First-order fade; posterior of ln k on a grid, prior pooled over past pieces (Gelman et al., Bayesian Data Analysis, ch. 5)."
                  sum={{ name: 'exposure-forecast', title: 'exposure forecast' }}
                />
              )}
            </Part>
          )}
          {forecast && <LaterPredictPart pieceId={piece.id} unit={doseUnit(school)} />}
          {first && latest && first.photoId !== latest.photoId && (
            <Part title="Before and now">
              <BeforeAfter
                before={{ photoId: first.photoId, words: showTime(first.measuredAt, timeZone) }}
                after={{ photoId: latest.photoId, words: showTime(latest.measuredAt, timeZone) }}
              />
              <LaterChangePart pieceId={piece.id} timeZone={timeZone} />
              {first.lab && latest.lab && (
                <p>
                  Changed by ΔE00 {deltaE00(first.lab, latest.lab).toFixed(1)}, b* {signed(latest.lab[2] - first.lab[2])}.
                </p>
              )}
            </Part>
          )}
          <WaysPart
            view={ways}
            here={here}
            pieceId={piece.id}
            pieceHref={`/restorations/${restorationId}/pieces/${piece.id}`}
            timeZone={timeZone}
            currency={workshop.currency}
            chosen={chosen}
            by={by}
          />
          {workshop.latitude !== null && workshop.longitude !== null && (
            <Part title="The sky of the coming days" id="sky">
              <Fold summary="Hour by hour, and how it looks now">
                <LaterSkyPart
                  place={{ latitude: workshop.latitude, longitude: workshop.longitude, altitudeM: workshop.altitudeM }}
                  timeZone={timeZone}
                />
              </Fold>
            </Part>
          )}
          <Part title={`Plan an exposure of ${piece.tag} ${piece.name}`} id="plan">
            <LaterExposureForm
              key={`${piece.id}:${chosen}`}
              piece={piece}
              stock={stock}
              timeZone={timeZone}
              from={toLocalField(window?.from ?? new Date().toISOString(), timeZone)}
              minutes={window ? Math.round((Date.parse(window.to) - Date.parse(window.from)) / 60_000) : null}
              cloudPercent={cloudOver(ways, window)}
              school={planned}
            />
          </Part>
          <Part title="Turns in the sun" id="turns">
            <Fold summary="Which way to point it, turn by turn">
              <LaterTurnPart pieceId={piece.id} timeZone={timeZone} now={toLocalField(new Date().toISOString(), timeZone)} />
            </Fold>
          </Part>
          <Part title="Rehearse it" id="rehearse">
            <Fold summary="Try a session out before it is done">
              <LaterRehearsePart pieceId={piece.id} timeZone={timeZone} now={toLocalField(new Date().toISOString(), timeZone)} />
            </Fold>
          </Part>
        </>
      )}
      <LooksPart looks={looks} piece={piece} measurements={history.measurements} treatments={history.treatments} timeZone={timeZone} />
      <SessionTable sessions={history.sessions} measurements={history.measurements} timeZone={timeZone} unit={doseUnit(school)} />
    </>
  );
}

/** The next window that the sun opens for a way; `null` while the sun stands high enough to begin at once, and for other ways. */
function nextWindow(ways: WaysView | null, school: SchoolId): { from: string; to: string } | null {
  if (!ways?.place || SCHOOL[school].driver !== 'sun' || sunAndUv(ways.place, new Date()).uvIndexClear > 1) return null;
  return ways.ways.find((way) => way.school === school)?.sun?.sessions[0] ?? null;
}

/** Cloud over a window, or over the hours to come, by the sky that all plans count with; in steps of five per cent. */
function cloudOver(ways: WaysView | null, window: { from: string; to: string } | null): number {
  const [from, to] = window ? [Date.parse(window.from), Date.parse(window.to)] : [Date.now(), Date.now() + 3 * HOUR_MS];
  const within = (ways?.clouds ?? []).filter(({ at }) => at.getTime() + HOUR_MS > from && at.getTime() < to);
  return within.length === 0 ? 0 : 5 * Math.round((20 * within.reduce((sum, { cloud }) => sum + cloud, 0)) / within.length);
}

function firstSchool(going: SchoolId | undefined, placeKnown: boolean): SchoolId {
  return going ?? (placeKnown ? 'cream-film-sun' : 'bath-lamp');
}

/** How warm what lies in the sun gets, with what was read; `null` for what lies elsewhere, and without a place. */
async function warmthOfRunning({ running, treatments }: PieceHistory): Promise<Warmth | null> {
  const school = SCHOOL[treatments.find(({ id }) => id === running?.treatmentId)?.school ?? 'vapour'];
  const [{ latitude, longitude, altitudeM }, shading] = await Promise.all([getWorkshop(), listObstacles()]);
  if (!running || school.driver !== 'sun' || latitude === null || longitude === null) return null;
  const { startedAt, plannedMin, cloudFraction, temperatureC, readings } = running;
  return warmthInSun({
    school,
    place: { latitude, longitude, altitudeM },
    shading,
    start: new Date(startedAt),
    durationMin: plannedMin,
    cloudFraction,
    airC: temperatureC,
    readings,
  });
}

/** The turns of what lies in the sun now; none for what does not, and none where nobody can say: it still has to be ended. */
async function turnsOfRunning(piece: Piece, { running, treatments }: PieceHistory, placeKnown: boolean): Promise<Turn[]> {
  const school = SCHOOL[treatments.find(({ id }) => id === running?.treatmentId)?.school ?? 'vapour'];
  if (!running || !placeKnown || school.driver !== 'sun' || piece.lengthMm === null || piece.widthMm === null || piece.heightMm === null) return [];
  const { plan } = await turnsOf(piece, {
    start: new Date(running.startedAt),
    durationMin: running.plannedMin,
    turnEveryMin: running.turnEveryMin,
    leanDeg: school.medium === 'cream' ? LEAN_DEG : 0,
    cloudFraction: running.cloudFraction,
  });
  // In the dark every direction is as good.
  return plan.evenness > 0 ? plan.turns : [];
}
