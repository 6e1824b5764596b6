import { SCHOOL } from '@/core/session/schools';
import type { Turn } from '@/core/session/turnPlan';
import { warmthInSun, type Warmth } from '@/core/session/warmth';
import type { Piece } from '@/data/rows';
import { getWorkshop, listObstacles, placeOf } from '@/data/workshop';
import type { PieceHistory } from '../history';
import { LEAN_DEG, turnsOf } from '../sky/turnsOf';

/** How warm what lies in the sun gets, with what was read; `null` for what lies elsewhere, and without a place. */
export async function warmthOfRunning({ running, treatments }: PieceHistory): Promise<Warmth | null> {
  const school = SCHOOL[treatments.find(({ id }) => id === running?.treatmentId)?.school ?? 'vapour'];
  const [workshop, shading] = await Promise.all([getWorkshop(), listObstacles()]);
  const place = placeOf(workshop);
  if (!running || school.driver !== 'sun' || !place) return null;
  const { startedAt, plannedMin, cloudFraction, temperatureC, readings } = running;
  return warmthInSun({
    school,
    place,
    shading,
    start: new Date(startedAt),
    durationMin: plannedMin,
    cloudFraction,
    airC: temperatureC,
    readings,
  });
}

/** The turns of what lies in the sun now; none for what does not, and none where nobody can say: it still has to be ended. */
export async function turnsOfRunning(
  piece: Piece,
  { running, treatments }: PieceHistory,
  placeKnown: boolean,
): Promise<Turn[]> {
  const school = SCHOOL[treatments.find(({ id }) => id === running?.treatmentId)?.school ?? 'vapour'];
  if (
    !running ||
    !placeKnown ||
    school.driver !== 'sun' ||
    piece.lengthMm === null ||
    piece.widthMm === null ||
    piece.heightMm === null
  )
    return [];
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
