import { signed } from '@/core/colour/signed';
import { deltaE00 } from '@/core/colour/difference';
import { measurementAfter, waitsForMeasuring } from '@/core/exposure/after';
import { doseUnit } from '@/core/exposure/dose';
import { assumedLine } from '@/core/assumptions/assumptions';
import { fadesAssume } from '@/core/assumptions/ofSchools';
import { isPlastic } from '@/core/runsheet/stages';
import { SCHOOLS } from '@/core/exposure/schools';
import type { SkySource } from '@/core/exposure/sessions';
import { showTime, toLocalField } from '@/core/runsheet/time';
import { listTubs } from '@/data/cleaning';
import { PIECE_REGION } from '@/data/measurements';
import { looksOf } from '@/data/looks';
import { piecesOf } from '@/data/pieces';
import { plannedIn } from '@/data/planned';
import { listStock } from '@/data/stock';
import { timersOfSession } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';
import { Estimate } from '@/ui/figures';
import { FaultWords } from '@/ui/FaultWords';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { Worked } from '@/ui/Worked';
import { LinkButton } from '@/ui/links';
import { companionsOf } from './companions';
import { wentBefore } from '@/core/exposure/unevenness';
import { coloursOf, historiesOf } from './history';
import { judgePiece } from './judge';
import { LaterExposureForm } from './LaterExposureForm';
import {
  LaterBeforeAfter,
  LaterRunningExposure,
  LaterChangePart,
  LaterFadePart,
  LaterPredictPart,
  LaterSkyPart,
  LaterRehearsePart,
  LaterTurnPart,
} from './laterParts';
import { LooksPart } from './LooksPart';
import { cloudOver, firstSchool, leftOf, nextPlanned, nextWindow, skyOfWindow } from './nextWindow';
import { PieceChoice } from './PieceChoice';
import { PlannedPart } from './PlannedPart';
import { pastPieces } from './pooled';
import { turnsOfRunning, warmthOfRunning } from './running';
import { AdviceBox, SessionTable } from './SessionHistory';
import { SetPart } from './SetPart';
import { skiesOf, skyTurned } from './skyTurned';
import { suppliesOf, waysFor } from './ways';
import { WaysPart } from './WaysPart';
import { sessionsWorking } from './workings';

interface Props {
  restorationId: string;
  pieceId: string | null;
  /** The way chosen in the comparison. */
  way: string | null;
  /** Day by which it is wanted, like 2026-06-21. */
  by: string | null;
  sky: SkySource;
  now: Date;
}

/** Brighten: the pieces, and for the chosen one its advice, its running exposure or the plan of the next. */
export async function BrightenStage({ restorationId, pieceId, way, by, sky, now }: Props) {
  const [all, workshop, stock, tubs, planned] = await Promise.all([
    piecesOf(restorationId),
    getWorkshop(),
    listStock(),
    listTubs(),
    plannedIn(restorationId),
  ]);
  const pieces = all.filter(({ plastic }) => isPlastic(plastic));
  if (pieces.length === 0)
    return (
      <Part title="Which piece">
        <EmptyPlace action={<LinkButton href={`/restorations/${restorationId}/pieces/new`}>Tag a piece</LinkButton>}>
          {all.length > 0
            ? 'Of what is tagged nothing is plastic, and only plastic is brightened.'
            : 'Brightening goes piece by piece. Tag them first.'}
        </EmptyPlace>
      </Part>
    );
  const histories = await historiesOf(pieces);
  const chosenIndex = Math.max(
    0,
    pieces.findIndex(({ id }) => id === pieceId),
  );
  const piece = pieces[chosenIndex]!;
  const history = histories[chosenIndex]!;
  const { timeZone } = workshop;
  const past = await pastPieces(piece);
  const { treatment, school, settled, forecast, latest, advice, pooled, fade, working } = judgePiece(piece, history, past);
  const { running } = history;
  const here = `/restorations/${restorationId}/brighten?piece=${piece.id}`;
  const chosen = SCHOOLS.find((id) => id === way) ?? null;
  const ways = history.running ? null : await waysFor(piece, history, past, sky, by, now, { workshop, stock, tubs });
  const own = planned.filter((session) => session.pieceId === piece.id);
  const coming = nextPlanned(own, now);
  const going = chosen ?? coming?.school ?? firstSchool(treatment?.school, workshop.latitude !== null);
  const window = coming?.school === going ? leftOf(coming, now) : nextWindow(ways, going, now);
  const begins = window && Date.parse(window.from) > now.getTime() ? window.from : null;
  const minutes = window && Math.round((Date.parse(window.to) - Date.parse(window.from)) / 60_000);
  const cloudPercent = cloudOver(ways, window, now);
  const opens = toLocalField(begins ?? now.toISOString(), timeZone);
  const looks = (await looksOf(restorationId)).filter((look) => look.pieceId === piece.id);
  const ended = history.sessions.filter(({ endedAt }) => endedAt !== null);
  const needsMeasuring = waitsForMeasuring(history.sessions, history.measurements) !== null;
  const companions = running ? [] : await companionsOf(piece, pieces, histories);
  const lead = running && (running.leadId ?? running.id);
  const timers = lead ? await timersOfSession(lead) : [];
  const together = histories.flatMap((other, i) =>
    other.running && (other.running.leadId ?? other.running.id) === lead && other.running.id !== running?.id ? [pieces[i]!.tag] : [],
  );
  const went = history.treatments.find(({ id }) => id === running?.treatmentId);
  const first = history.measurements[0];
  const onward = (
    <>
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
            <LaterSkyPart place={{ latitude: workshop.latitude, longitude: workshop.longitude, altitudeM: workshop.altitudeM }} timeZone={timeZone} />
          </Fold>
        </Part>
      )}
      <Part title={`Plan an exposure of ${piece.tag} ${piece.name}`} id="plan">
        <LaterExposureForm
          key={`${piece.id}:${chosen}:${coming?.timerId}`}
          piece={piece}
          stock={stock}
          supplies={suppliesOf(ways)}
          tubs={tubs}
          timeZone={timeZone}
          from={opens}
          fromNow={begins === null}
          lampMwPerCm2={workshop.lampMwPerCm2}
          companions={companions}
          minutes={minutes}
          cloudPercent={cloudPercent}
          sky={ways?.place ? skyOfWindow(ways, window, now) : null}
          school={going}
        />
      </Part>
      <Part title="Turns in the sun" id="turns">
        <Fold summary="Which way to point it, turn by turn">
          <LaterTurnPart pieceId={piece.id} timeZone={timeZone} start={opens} minutes={minutes} cloudPercent={cloudPercent} />
        </Fold>
      </Part>
      <Part title="Rehearse it" id="rehearse">
        <Fold summary="Try a session out before it is done">
          <LaterRehearsePart pieceId={piece.id} timeZone={timeZone} start={opens} />
        </Fold>
      </Part>
    </>
  );
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
      {running ? (
        <LaterRunningExposure
          piece={piece}
          session={running}
          school={went!.school}
          beside={together}
          coatMl={went!.amountMl * (1 + together.length)}
          at={now.toISOString()}
          turns={await turnsOfRunning(piece, history, workshop.latitude !== null && workshop.longitude !== null)}
          timer={timers.find(({ kind }) => kind === 'exposure') ?? null}
          tending={timers.filter(({ kind }) => kind !== 'exposure')}
          warmth={await warmthOfRunning(history)}
          timeZone={timeZone}
        />
      ) : (
        <>
          {history.set && <SetPart set={history.set} colours={new Map(pieces.map(({ id }, i) => [id, coloursOf(histories[i]!)]))} />}
          <FaultWords
            fault={latest?.result.regions.find(({ id }) => id === PIECE_REGION)?.fault}
            went={latest ? wentBefore(latest.measuredAt, history.sessions, history.treatments) : 'life'}
            lightChanges={latest?.result.warnings.some((warning) => warning.startsWith('The light changes')) ?? false}
          />
          <AdviceBox advice={advice} latest={latest} piece={piece} treatment={treatment} needsMeasuring={needsMeasuring} />
          <PlannedPart
            planned={own}
            turned={await skyTurned(coming, ways, now)}
            skies={skiesOf(own, ways)}
            next={coming?.timerId ?? null}
            laid={coming?.school === going}
            here={here}
            timeZone={timeZone}
            settled={settled && !needsMeasuring}
          />
          {fade && ended.length > 0 && (
            <Part title="How it fades" id="fades">
              {forecast && (
                <Estimate
                  {...forecast.doseToGo}
                  unit={doseUnit(school)}
                  label="of dose to go"
                  from={`From ${ended.length} ${ended.length === 1 ? 'session' : 'sessions'} of this piece, and before them ${pooled.pieces > 0 ? `${pooled.pieces} past ${pooled.pieces === 1 ? 'piece' : 'pieces'} of this workshop` : 'the usual rate of this way'}.`}
                />
              )}
              {forecast?.doubt && <p>{forecast.doubt}</p>}
              <LaterFadePart {...fade} />
              {working && (
                <Worked
                  lines={[...working, assumedLine([...fadesAssume(school.id), 'come to rest'])]}
                  source="First-order fade; posterior of ln k on a grid, prior pooled over past pieces (Gelman et al., Bayesian Data Analysis, ch. 5)."
                  sum={{ name: 'exposure-forecast', title: 'exposure forecast' }}
                />
              )}
            </Part>
          )}
          {forecast && <LaterPredictPart pieceId={piece.id} unit={doseUnit(school)} />}
          {first && latest && first.photoId !== latest.photoId && (
            <Part title="Before and now">
              <LaterBeforeAfter
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
          {settled && !needsMeasuring ? <Fold summary="Go on all the same">{onward}</Fold> : onward}
        </>
      )}
      <LooksPart looks={looks} piece={piece} measurements={history.measurements} treatments={history.treatments} timeZone={timeZone} />
      <SessionTable
        sessions={history.sessions}
        treatments={history.treatments}
        after={Object.fromEntries(measurementAfter(history.sessions, history.measurements))}
        timeZone={timeZone}
        working={sessionsWorking(history, timeZone)}
      />
    </>
  );
}
