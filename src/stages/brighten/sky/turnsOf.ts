import { turnPlan, type TurnPlan, type TurnPlanInput } from '@/core/session/turnPlan';
import { Refusal } from '@/core/refusal';
import { dayAround } from '@/core/runsheet/time';
import type { PieceSize } from '@/core/size';
import { sunDay, type SunSample } from '@/core/sun/day';
import type { Obstacle } from '@/core/sun/horizon';
import type { Piece } from '@/data/rows';
import { getWorkshop, listObstacles, placeOf } from '@/data/workshop';

/** Most people prop an edge up against a brick; a bag or a bath lies flat. */
export const LEAN_DEG = 60;

export interface TurnView {
  plan: TurnPlan;
  /** The sun over the day. */
  course: SunSample[];
  obstacles: Obstacle[];
  size: Pick<PieceSize, 'lengthMm' | 'widthMm'>;
}

/**
 * The turns of a session of a piece at the workshop's place.
 *
 * @throws Refusal without a place, or for a piece without a size
 */
export async function turnsOf(
  { tag, lengthMm, widthMm, heightMm }: Piece,
  session: Pick<TurnPlanInput, 'start' | 'durationMin' | 'turnEveryMin' | 'leanDeg' | 'cloudFraction'>,
): Promise<TurnView> {
  const [workshop, obstacles] = await Promise.all([getWorkshop(), listObstacles()]);
  const place = placeOf(workshop);
  if (!place)
    throw new Refusal('start', 'The workshop has no place yet, so there is no sun to turn to. Set it under Workshop.');
  if (lengthMm === null || widthMm === null || heightMm === null)
    throw new Refusal(
      'pieceId',
      `Give ${tag} its length, width and height on its page; the turns follow from its faces.`,
    );
  const plan = turnPlan({ ...session, place, shading: obstacles, lengthMm, widthMm, heightMm });
  const { start, hours } = dayAround(session.start, workshop.timeZone);
  return { plan, course: sunDay(place, start, hours).samples, obstacles, size: { lengthMm, widthMm } };
}
