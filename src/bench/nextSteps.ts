import { waitsForMeasuring } from '@/core/fade/after';
import { isPlastic, STAGE_WORDS } from '@/core/runsheet/stages';
import { powerDecided } from '@/data/firstPower';
import { looksDue } from '@/data/looks';
import { findPieces, piecesOfAll } from '@/data/pieces';
import { newestPhotos } from '@/data/photos/store';
import { titlesOf, type Listed } from '@/data/restorations';
import type { Measurement, OwnerRequest, Piece, Session, StageRow, Treatment } from '@/data/rows';
import { stagesOfAll } from '@/data/stages';
import { eachAlone } from '@/edge/eachAlone';
import { findColumns, findRows } from '@/data/table';
import { sessionsOf, treatmentsOf } from '@/data/treatments';
import { openOnBench } from './things';

export interface NextStep {
  href: string;
  verb: string;
  restoration: string;
  tag: string | null;
  why: string;
  /** What was decided on its first power, where it may not be switched on. */
  unpowered: boolean;
}

/** So many looks whose time has come are shown at once. */
const LOOKS = 12;

type Seen = Pick<Measurement, 'id' | 'restorationId' | 'pieceId' | 'measuredAt' | 'deltaB' | 'verdict'>;

/** A restoration with what decides what its hands do next. */
interface Known {
  restoration: Listed;
  stages: StageRow[];
  pieces: Piece[];
  photographed: boolean;
  measurements: Seen[];
  sessions: Session[];
  treatments: Treatment[];
  waiting: OwnerRequest[];
  unpowered: boolean;
}

/**
 * What hands can do now: the first thing that the run sheet waits for, of each open machine that was worked on last, and
 * how many more are open.
 */
export async function nextSteps(now: Date, open = openOnBench()): Promise<{ steps: NextStep[]; more: number }> {
  const { restorations, all } = await open;
  const { out, failed } = await eachAlone(restorations, async (some) => (await knownOf(some)).flatMap(stepOf));
  const unshown = failed.map(({ id, title }) => ({
    ...{
      href: `/restorations/${id}`,
      verb: 'Look what is wrong with it',
      restoration: title,
      tag: null,
      unpowered: false,
    },
    why: 'what is kept of it cannot be shown',
  }));
  return { steps: [...unshown, ...out, ...(await looks(now))], more: all - restorations.length };
}

/** All that is asked of several restorations, in as many queries as of one. */
async function knownOf(restorations: readonly Listed[]): Promise<Known[]> {
  const ids = restorations.map(({ id }) => id);
  const [stages, pieces, photographed, measurements, sessions, treatments, waiting, power] = await Promise.all([
    stagesOfAll(ids),
    piecesOfAll(ids),
    newestPhotos(ids),
    findColumns(
      'measurements',
      ['id', 'restorationId', 'pieceId', 'measuredAt', 'deltaB', 'verdict'],
      { restorationId: ids },
      [
        ['measuredAt', 'ASC'],
        ['id', 'ASC'],
      ],
    ),
    sessionsOf(ids),
    treatmentsOf(ids),
    findRows('requests', { restorationId: ids, answer: null }, [['askedAt', 'ASC']]),
    powerDecided(ids),
  ]);
  return restorations.map((restoration) => {
    const own = <T extends { restorationId: string }>(rows: readonly T[]) =>
      rows.filter(({ restorationId }) => restorationId === restoration.id);
    return {
      restoration,
      stages: stages.get(restoration.id)!,
      pieces: own(pieces),
      photographed: photographed.has(restoration.id),
      measurements: own(measurements),
      sessions: own(sessions),
      treatments: own(treatments),
      waiting: own(waiting),
      unpowered: power.get(restoration.id)?.decision === 'do not switch on',
    };
  });
}

/** Pieces, of closed restorations too, whose time to be looked at again has come. */
async function looks(now: Date): Promise<NextStep[]> {
  const due = await looksDue(now, LOOKS);
  const pieces = await findPieces([...new Set(due.map(({ pieceId }) => pieceId))]);
  const titles = await titlesOf(due.map(({ restorationId }) => restorationId));
  return pieces.map(({ id, restorationId, tag }) => ({
    href: `/restorations/${restorationId}/pieces/${id}/measure?stage=brighten`,
    verb: 'Look again',
    restoration: titles.get(restorationId) ?? '',
    tag,
    unpowered: false,
    why: 'whether the yellow came back: measure it with its hidden patch',
  }));
}

function stepOf({
  restoration: { id, title },
  stages,
  pieces,
  photographed,
  measurements,
  sessions,
  treatments,
  waiting,
  unpowered,
}: Known): NextStep[] {
  const base = `/restorations/${id}`;
  const step = { restoration: title, tag: null, unpowered };
  if (!photographed)
    return [{ ...step, href: `${base}/intake`, verb: 'Photograph every side', why: 'before anything is touched' }];
  if (pieces.length === 0)
    return [
      {
        ...step,
        href: `${base}/pieces/new`,
        verb: 'Tag the pieces',
        why: 'so that each can be measured and treated by itself',
      },
    ];
  const of = <T extends { pieceId: string }>(rows: T[], pieceId: string) =>
    rows.filter((row) => row.pieceId === pieceId);
  const measure = (piece: Piece, verb: string, why: string): NextStep => ({
    ...step,
    href: `${base}/pieces/${piece.id}/measure?stage=brighten`,
    verb,
    tag: piece.tag,
    why,
  });
  const again = pieces.filter((piece) => waitsForMeasuring(of(sessions, piece.id), of(measurements, piece.id)));
  if (again.length > 0)
    return again.map((piece) => measure(piece, 'Measure again', 'its last exposure has no measurement yet'));
  const open = stages.filter(({ state }) => state === 'open').map(({ stage }) => stage);
  // What waits for the owner waits; hands go on with what does not.
  const next = open.find((stage) => !waiting.some((request) => request.stage === stage));
  const answers = waiting.map(({ what }) => ({
    ...step,
    href: `${base}/owner`,
    verb: 'Get the owner’s answer',
    why: what,
  }));
  if (!next) return answers;
  const unmeasured = pieces.find((piece) => isPlastic(piece.plastic) && of(measurements, piece.id).length === 0);
  if (next === 'brighten' && unmeasured)
    return [measure(unmeasured, 'Measure', 'so that its start is known before it brightens')];
  if (next === 'brighten') {
    const ended = new Map(treatments.map(({ pieceId, endedAt }) => [pieceId, endedAt !== null]));
    const waits = pieces.filter(
      (piece) =>
        isPlastic(piece.plastic) &&
        piece.aim !== 'keep the age' &&
        !ended.get(piece.id) &&
        !of(sessions, piece.id).some(({ endedAt }) => endedAt === null),
    );
    return [{ ...step, ...furthestOf(base, waits, measurements) }, ...answers];
  }
  return [
    { ...step, href: `${base}/${next}`, verb: STAGE_WORDS[next].title, why: STAGE_WORDS[next].first },
    ...answers,
  ];
}

/** Of pieces that wait for a session the one that is furthest from its patch; the next is its. */
function furthestOf(
  base: string,
  pieces: readonly Piece[],
  measurements: readonly Seen[],
): Pick<NextStep, 'href' | 'verb' | 'tag' | 'why'> {
  const step = { verb: STAGE_WORDS.brighten.title };
  const waiting = pieces
    .flatMap((piece) => {
      const latest = measurements.filter(({ pieceId }) => pieceId === piece.id).pop();
      return latest?.deltaB != null && (latest.verdict === 'to go' || latest.verdict === 'uneven')
        ? [{ piece, away: latest.deltaB, uneven: latest.verdict === 'uneven' }]
        : [];
    })
    .sort((a, b) => b.away - a.away);
  const [first] = waiting;
  if (!first)
    return {
      ...step,
      href: `${base}/brighten`,
      tag: null,
      why: 'no piece waits for a session: look whether they are done',
    };
  const furthest = waiting.length > 1 ? ', the furthest of those that wait' : '';
  return {
    ...step,
    href: `${base}/brighten?piece=${first.piece.id}`,
    tag: first.piece.tag,
    why: first.uneven
      ? 'on the whole it matches, but unevenly'
      : `b* ${first.away.toFixed(1)} above its hidden patch${furthest}`,
  };
}
