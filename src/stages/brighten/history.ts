import type { Lab } from '@/core/colour/types';
import { isPlastic } from '@/core/runsheet/stages';
import { SCHOOL, type School } from '@/core/session/schools';
import type { Yellow } from '@/core/session/plan';
import { errorsOf } from '@/core/fade/dose';
import { fadeSoFar } from '@/core/fade/after';
import { commonTarget, type CommonTarget } from '@/core/fade/commonTarget';
import type { Aim } from '@/core/intake/aim';
import { measurementsOf } from '@/data/measurements';
import { bOf, sdOf } from '@/work/measuredB';
import { piecesOfAll } from '@/data/pieces';
import { ofEach } from '@/data/ofEach';
import { findRows } from '@/data/table';
import { sessionsOf, treatmentsOf } from '@/data/treatments';
import type { Measurement, Piece, Session, Treatment } from '@/data/rows';

export interface PieceHistory {
  measurements: Measurement[];
  treatments: Treatment[];
  sessions: Session[];
  running: Session | null;
  /** What the pieces that sit together go for; `null` where this one goes for its own hidden patch. */
  set: CommonTarget | null;
}

/** All that was done to pieces; their restorations are read in as many queries as one. */
export async function historiesOf(pieces: readonly Piece[]): Promise<PieceHistory[]> {
  const ids = [...new Set(pieces.map(({ restorationId }) => restorationId))];
  const [measurements, treatments, sessions, siblings, restorations] = await Promise.all([
    measurementsOf(ids),
    treatmentsOf(ids),
    sessionsOf(ids),
    piecesOfAll(ids),
    findRows('restorations', { id: ids }),
  ]);
  const rowsOf = ofEach();
  const sets = new Map(
    restorations.map(({ id, aim }) => [id, targetOfSet(rowsOf(id)(siblings), rowsOf(id)(measurements), aim)]),
  );
  return pieces.map(({ id, restorationId }) => {
    const own = <T extends { pieceId: string; restorationId: string }>(rows: readonly T[]) =>
      rowsOf(restorationId)(rows).filter(({ pieceId }) => pieceId === id);
    const mine = own(sessions);
    return {
      measurements: own(measurements),
      treatments: own(treatments),
      sessions: mine,
      running: mine.find(({ endedAt }) => endedAt === null) ?? null,
      set: sets.get(restorationId) ?? null,
    };
  });
}

/** Colours of a piece by a card: at first, where that was another, and as last measured. */
export function coloursOf({ measurements }: Pick<PieceHistory, 'measurements'>): {
  first: Lab | null;
  now: Lab | null;
} {
  const coloured = colouredOf(measurements);
  return { first: coloured.length > 1 ? coloured[0]!.lab : null, now: coloured.pop()?.lab ?? null };
}

export const historyOf = async (piece: Piece): Promise<PieceHistory> => (await historiesOf([piece]))[0]!;

/** The target that the pieces of a restoration share; a piece whose age is kept takes no part. */
function targetOfSet(
  pieces: readonly Piece[],
  measurements: readonly Measurement[],
  aimOfAll: Aim,
): CommonTarget | null {
  const measured = (id: string) =>
    measurements.filter(({ pieceId, basis, lab }) => pieceId === id && basis === 'card' && lab !== null).pop();
  return commonTarget(
    pieces
      .filter(({ aim, plastic }) => (aim ?? aimOfAll) !== 'keep the age' && isPlastic(plastic))
      .map(({ id, tag, hiddenLab }) => ({
        id,
        tag,
        hiddenB: hiddenLab?.[2] ?? null,
        currentB: measured(id)?.lab?.[2] ?? null,
      })),
  );
}

/** Measurements that are colours: by a card. */
const colouredOf = (measurements: readonly Measurement[]) =>
  measurements.filter(({ lab, basis }) => lab !== null && basis === 'card');

/**
 * What the forecast starts from: the measurement before the first session of the same kind (sun and lamp count in
 * UVI·h, vapour in hours), and every session since with what was measured after it. What another kind took away is in
 * no dose of this one: the count begins anew after it.
 */
export function yellowOf(
  piece: Piece,
  { measurements, treatments, sessions, set }: PieceHistory,
  school: School,
): Yellow | null {
  const coloured = colouredOf(measurements);
  const latest = coloured[coloured.length - 1];
  if (!piece.hiddenLab || !latest?.lab) return null;
  const sameKind = new Set(
    treatments
      .filter((treatment) => (SCHOOL[treatment.school].driver === 'warmth') === (school.driver === 'warmth'))
      .map(({ id }) => id),
  );
  const over = sessions.flatMap((session) => (session.dose === null ? [] : [{ ...session, dose: session.dose }]));
  const other = over.filter(({ treatmentId }) => !sameKind.has(treatmentId)).pop();
  const fade = fadeSoFar(
    over.filter(({ treatmentId, startedAt }) => sameKind.has(treatmentId) && (!other || startedAt > other.startedAt)),
    other ? coloured.filter(({ measuredAt }) => measuredAt >= other.endedAt!) : coloured,
  );
  if (!fade?.start.lab) return null;
  const hiddenB = piece.hiddenLab[2];
  const startB = bOf(fade.start, hiddenB);
  return {
    startB,
    targetB: Math.min(set?.places.find(({ id }) => id === piece.id)?.targetB ?? hiddenB, startB),
    sessions: fade.sessions.map(({ dose, after }) => ({ dose, measuredB: after && bOf(after, hiddenB) })),
    measurementSd: sdOf(latest),
    startSd: sdOf(fade.start),
    ...errorsOf(school),
  };
}
