import { SCHOOL, type School } from '@/core/exposure/schools';
import type { Yellow } from '@/core/exposure/plan';
import type { CommonTarget } from '@/core/exposure/commonTarget';
import { measurementsOfPiece } from '@/data/measurements';
import { sessionsOf, treatmentsOf } from '@/data/treatments';
import { commonTargetOf } from './set';
import type { Measurement, Piece, Session, Treatment } from '@/data/rows';

/** Uncertainty of one measured b*, with a card in the picture. */
export const USUAL_MEASUREMENT_SD = 0.6;

export interface PieceHistory {
  measurements: Measurement[];
  treatments: Treatment[];
  sessions: Session[];
  running: Session | null;
  /** What the pieces that sit together go for; `null` where this one goes for its own hidden patch. */
  set: CommonTarget | null;
}

export async function historyOf(piece: Piece): Promise<PieceHistory> {
  const own = <T extends { pieceId: string }>(rows: T[]) => rows.filter(({ pieceId }) => pieceId === piece.id);
  const [measurements, treatments, sessions, set] = await Promise.all([
    measurementsOfPiece(piece.id),
    treatmentsOf(piece.restorationId).then(own),
    sessionsOf(piece.restorationId).then(own),
    commonTargetOf(piece.restorationId),
  ]);
  return { measurements, treatments, sessions, running: sessions.find(({ endedAt }) => endedAt === null) ?? null, set };
}

/**
 * What the forecast starts from: the measurement before the first session of the same kind (sun and lamp
 * count in UVI·h, vapour in hours), and every session since with what was measured after it.
 */
export function yellowOf(piece: Piece, { measurements, treatments, sessions, set }: PieceHistory, school: School): Yellow | null {
  const coloured = measurements.filter(({ lab, basis }) => lab !== null && basis === 'card');
  const latest = coloured[coloured.length - 1];
  if (!piece.hiddenLab || !latest?.lab) return null;
  const sameKind = (treatment: Treatment) => (SCHOOL[treatment.school].driver === 'warmth') === (school.driver === 'warmth');
  const ids = new Set(treatments.filter(sameKind).map(({ id }) => id));
  const given = sessions.filter(({ treatmentId, dose }) => ids.has(treatmentId) && dose !== null);
  const before = given[0] && coloured.filter(({ measuredAt }) => measuredAt <= given[0]!.startedAt).pop();
  const start = given[0] ? before : latest;
  if (!start?.lab) return null;
  const measuredAfter = (session: Session) => coloured.find(({ id }) => id === session.measurementId)?.lab?.[2] ?? null;
  return {
    startB: start.lab[2],
    targetB: Math.min(set?.places.find(({ id }) => id === piece.id)?.targetB ?? piece.hiddenLab[2], start.lab[2]),
    sessions: given.map((session) => ({ dose: session.dose!, measuredB: measuredAfter(session) })),
    measurementSd: Math.max(USUAL_MEASUREMENT_SD, latest.result.card.residualDeltaE00 ?? 0),
  };
}
