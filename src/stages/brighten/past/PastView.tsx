import { assumedLine } from '@/core/assumptions/assumptions';
import { fadesAssume } from '@/core/assumptions/ofSchools';
import { deltaE00 } from '@/core/colour/difference';
import { signed } from '@/core/colour/signed';
import { measurementAfter } from '@/core/fade/after';
import { doseUnit } from '@/core/fade/dose';
import { showTime } from '@/core/runsheet/time';
import { looksOf } from '@/data/looks';
import { Estimate } from '@/ui/figures';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { Worked } from '@/ui/Worked';
import type { ViewProps } from '../BrightenStage';
import { judgePiece } from '../judge';
import { LaterBeforeAfter, LaterChangePart, LaterFadePart } from '../laterParts';
import { LooksPart } from './LooksPart';
import { SessionTable } from './SessionTable';
import { sessionsWorking } from '../workings';

/** What the piece has come through: its sessions, how it fades by them, before and now, and afterwards. */
export async function PastView({ at }: ViewProps) {
  const { restorationId, piece, history, past, workshop } = at;
  const { timeZone } = workshop;
  const { school, forecast, latest, pooled, fade, working } = judgePiece(piece, history, past);
  const looks = (await looksOf(restorationId)).filter((look) => look.pieceId === piece.id);
  const ended = history.sessions.filter(({ endedAt }) => endedAt !== null);
  const first = history.measurements[0];
  const pieces = (n: number) => `${n} past ${n === 1 ? 'piece' : 'pieces'} of this workshop`;
  return (
    <>
      <LooksPart
        looks={looks}
        piece={piece}
        measurements={history.measurements}
        treatments={history.treatments}
        timeZone={timeZone}
      />
      {history.sessions.length === 0 && (
        <EmptyPlace>No session yet. What is done with it stands here, with what it came to.</EmptyPlace>
      )}
      <SessionTable
        sessions={history.sessions}
        treatments={history.treatments}
        after={Object.fromEntries(measurementAfter(history.sessions, history.measurements))}
        timeZone={timeZone}
        working={sessionsWorking(history, timeZone)}
      />
      {fade && ended.length > 0 && (
        <Part title="How it fades" id="fades">
          {forecast && (
            <Estimate
              {...forecast.doseToGo}
              unit={doseUnit(school)}
              label="of dose to go"
              from={`From ${ended.length} ${ended.length === 1 ? 'session' : 'sessions'} of this piece, and before them ${pooled.pieces > 0 ? pieces(pooled.pieces) : 'the usual rate of this way'}.`}
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
      {first && latest && first.photoId !== latest.photoId && (
        <Fold summary="Before and now, side by side and place by place">
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
        </Fold>
      )}
    </>
  );
}
