import { insideOnly } from '@/edge/entered';
import { newestShown } from '@/data/plans';
import { seeToThePlan } from '../../planner';

/**
 * The number of the newest change; every open screen asks for it and draws itself anew when it has grown. As long as one is
 * open the plan is kept true.
 */
export const GET = insideOnly(async (): Promise<Response> => {
  seeToThePlan();
  return Response.json({ mark: await newestShown() }, { headers: { 'Cache-Control': 'no-store' } });
});
