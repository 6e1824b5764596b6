import { requestsOf } from '@/data/requests';
import { stagesOf } from '@/data/stages';
import { waitsForMeasuring } from '@/core/exposure/after';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import { measurementsOf } from '@/data/measurements';
import { looksDue } from '@/data/looks';
import { findPiece, piecesOf } from '@/data/pieces';
import { photosOf } from '@/data/photos/store';
import { listRestorations } from '@/data/restorations';
import type { Measurement, Piece } from '@/data/rows';
import { sessionsOf, treatmentsOf } from '@/data/treatments';

export interface NextStep {
  href: string;
  verb: string;
  restoration: string;
  tag: string | null;
  why: string;
}

/** What hands can do now, for every open restoration: the first thing its run sheet waits for. */
export async function nextSteps(now: Date): Promise<NextStep[]> {
  const open = (await listRestorations()).filter(({ closedAt }) => closedAt === null);
  const steps = await Promise.all(open.map(({ id, title }) => stepOf(id, title)));
  return [...steps.flat(), ...(await looks(now))];
}

/** Pieces, of closed restorations too, whose time to be looked at again has come. */
async function looks(now: Date): Promise<NextStep[]> {
  const titles = new Map((await listRestorations()).map(({ id, title }) => [id, title]));
  const due = new Map((await looksDue(now)).map((look) => [look.pieceId, look]));
  return Promise.all(
    [...due.values()].map(async ({ restorationId, pieceId }) => ({
      href: `/restorations/${restorationId}/pieces/${pieceId}/measure?stage=brighten`,
      verb: 'Look again',
      restoration: titles.get(restorationId) ?? '',
      tag: (await findPiece(pieceId))?.tag ?? null,
      why: 'whether the yellow came back: measure it with its hidden patch',
    })),
  );
}

async function stepOf(restorationId: string, restoration: string): Promise<NextStep[]> {
  const base = `/restorations/${restorationId}`;
  const [stages, pieces, photos, measurements, sessions] = await Promise.all([
    stagesOf(restorationId),
    piecesOf(restorationId),
    photosOf(restorationId),
    measurementsOf(restorationId),
    sessionsOf(restorationId),
  ]);
  if (photos.length === 0)
    return [{ href: `${base}/intake`, verb: 'Photograph every side', restoration, tag: null, why: 'before anything is touched' }];
  if (pieces.length === 0)
    return [
      { href: `${base}/pieces/new`, verb: 'Tag the pieces', restoration, tag: null, why: 'so that each can be measured and treated by itself' },
    ];
  const of = <T extends { pieceId: string }>(rows: T[], id: string) => rows.filter(({ pieceId }) => pieceId === id);
  const again = pieces.flatMap((piece) => {
    const waits = waitsForMeasuring(of(sessions, piece.id), of(measurements, piece.id));
    return waits
      ? [
          {
            href: `${base}/pieces/${piece.id}/measure?stage=brighten`,
            verb: 'Measure again',
            restoration,
            tag: piece.tag,
            why: 'its last exposure has no measurement yet',
          },
        ]
      : [];
  });
  if (again.length > 0) return again;
  const requests = (await requestsOf(restorationId)).filter(({ answer }) => answer === null);
  const open = stages.filter(({ state }) => state === 'open').map(({ stage }) => stage);
  // What waits for the owner waits; hands go on with what does not.
  const next = open.find((stage) => !requests.some((request) => request.stage === stage));
  const answers = requests.map(({ what }) => ({ href: `${base}/owner`, verb: 'Get the owner’s answer', restoration, tag: null, why: what }));
  if (!next) return answers;
  const unmeasured = pieces.filter(({ id }) => !measurements.some(({ pieceId }) => pieceId === id));
  if (next === 'brighten' && unmeasured[0])
    return [
      {
        href: `${base}/pieces/${unmeasured[0].id}/measure?stage=brighten`,
        verb: 'Measure',
        restoration,
        tag: unmeasured[0].tag,
        why: 'so that its start is known before it brightens',
      },
    ];
  if (next === 'brighten') {
    const ended = new Map((await treatmentsOf(restorationId)).map(({ pieceId, endedAt }) => [pieceId, endedAt !== null]));
    const waiting = pieces.filter(
      ({ id, aim }) => aim !== 'keep the age' && !ended.get(id) && !sessions.some(({ pieceId, endedAt }) => pieceId === id && endedAt === null),
    );
    return [furthestOf(base, restoration, waiting, measurements), ...answers];
  }
  return [{ href: `${base}/${next}`, verb: STAGE_WORDS[next].title, restoration, tag: null, why: STAGE_WORDS[next].first }, ...answers];
}

/** Of pieces that wait for a session the one that is furthest from its patch; the next is its. */
function furthestOf(base: string, restoration: string, pieces: readonly Piece[], measurements: readonly Measurement[]): NextStep {
  const step = { verb: STAGE_WORDS.brighten.title, restoration };
  const waiting = pieces
    .flatMap((piece) => {
      const latest = measurements.filter(({ pieceId }) => pieceId === piece.id).pop();
      return latest?.deltaB != null && (latest.verdict === 'to go' || latest.verdict === 'uneven')
        ? [{ piece, away: latest.deltaB, uneven: latest.verdict === 'uneven' }]
        : [];
    })
    .sort((a, b) => b.away - a.away);
  const [first] = waiting;
  if (!first) return { ...step, href: `${base}/brighten`, tag: null, why: 'no piece waits for a session: look whether they are done' };
  const furthest = waiting.length > 1 ? ', the furthest of those that wait' : '';
  return {
    ...step,
    href: `${base}/brighten?piece=${first.piece.id}`,
    tag: first.piece.tag,
    why: first.uneven ? 'on the whole it matches, but unevenly' : `${first.away.toFixed(1)} of b* above its hidden patch${furthest}`,
  };
}
