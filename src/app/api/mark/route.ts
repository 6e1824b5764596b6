import { insideOnly } from '@/edge/entered';
import { newestShown } from '@/data/plans';
import { seeToTheHouse } from '../../keeper';
import { seeToThePlan } from '../../planner';

/**
 * The number of the newest change; every open screen asks for it and draws itself anew when it has grown. As long as one is
 * open the plan is kept true, and the backup of the day is made, and what was deleted goes on its day.
 */
export const GET = insideOnly(async (): Promise<Response> => {
  seeToThePlan();
  seeToTheHouse();
  return Response.json({ mark: await newestShown() }, { headers: { 'Cache-Control': 'no-store' } });
});
