import { lightChanges } from '@/core/picture/warnings';
import { waitsForMeasuring } from '@/core/fade/after';
import { wentBefore } from '@/core/fade/unevenness';
import { viewHref } from '@/core/runsheet/views';
import { PIECE_REGION } from '@/data/measurements';
import { timersOfSession } from '@/data/timers';
import { FaultWords } from '@/ui/FaultWords';
import { AdviceBox } from './AdviceBox';
import type { ViewProps } from '../BrightenStage';
import { coloursOf } from '../history';
import { judgePiece } from '../judge';
import { LaterRunningExposure } from '../laterParts';
import { PlannedPart } from './PlannedPart';
import { turnsOfRunning, warmthOfRunning } from './running';
import { SetPart } from './SetPart';
import { skiesOf, skyTurned } from './skyTurned';
import { waysFor, benchOf } from '../ways/ways';

/** How the piece stands: in the light, or what the numbers say, and the one thing to do next. */
export async function NowView({ at, sky, now }: ViewProps) {
  const { restorationId, pieces, histories, piece, history, past, workshop, planned, coming } = at;
  const { timeZone } = workshop;
  const { running } = history;
  if (running) {
    const lead = running.leadId ?? running.id;
    const timers = await timersOfSession(lead);
    const together = histories.flatMap((other, i) =>
      other.running && (other.running.leadId ?? other.running.id) === lead && other.running.id !== running.id
        ? [pieces[i]!.tag]
        : [],
    );
    const went = history.treatments.find(({ id }) => id === running.treatmentId)!;
    return (
      <LaterRunningExposure
        piece={piece}
        session={running}
        school={went.school}
        beside={together}
        coatMl={went.amountMl * (1 + together.length)}
        at={now.toISOString()}
        turns={await turnsOfRunning(piece, history, workshop.latitude !== null && workshop.longitude !== null)}
        timer={timers.find(({ kind }) => kind === 'exposure') ?? null}
        tending={timers.filter(({ kind }) => kind !== 'exposure')}
        warmth={await warmthOfRunning(history)}
        timeZone={timeZone}
      />
    );
  }
  const { treatment, settled, latest, advice } = judgePiece(piece, history, past);
  const needsMeasuring = waitsForMeasuring(history.sessions, history.measurements) !== null;
  // The sky is looked at where something waits for it.
  const ways = planned.length > 0 ? await waysFor(piece, history, past, sky, null, now, await benchOf(workshop)) : null;
  return (
    <>
      <AdviceBox
        advice={advice}
        latest={latest}
        piece={piece}
        treatment={treatment}
        needsMeasuring={needsMeasuring}
        planHref={`${viewHref(restorationId, 'brighten', 'plan')}?piece=${piece.id}`}
      />
      <PlannedPart
        planned={planned}
        turned={await skyTurned(coming, ways, now)}
        skies={skiesOf(planned, ways)}
        next={coming?.timerId ?? null}
        planHref={`${viewHref(restorationId, 'brighten', 'plan')}?piece=${piece.id}`}
        timeZone={timeZone}
        settled={settled && !needsMeasuring}
      />
      <FaultWords
        fault={latest?.result.regions.find(({ id }) => id === PIECE_REGION)?.fault}
        went={latest ? wentBefore(latest.measuredAt, history.sessions, history.treatments) : 'life'}
        lightChanges={lightChanges(latest?.result.warnings ?? [])}
      />
      {history.set && (
        <SetPart set={history.set} colours={new Map(pieces.map(({ id }, i) => [id, coloursOf(histories[i]!)]))} />
      )}
    </>
  );
}
