import { everyTask, shownPlan } from '@/bench/plan';
import { feedIsOpen } from '@/edge/feed';
import { inPool } from '@/data/heavyPool';
import { getWorkshop } from '@/data/workshop';
import { failed, refusal, standing } from '@/edge/entered';
import { seeToThePlan } from '../../planner';

/**
 * `GET /api/calendar.ics`: the plan of the bench as a calendar, for a device that has entered, or for a calendar program that
 * carries the feed’s own token (`?token=`). The plan that stands is given, however another is being made meanwhile.
 */
export async function GET(request: Request): Promise<Response> {
  try {
    const url = new URL(request.url);
    const token = url.searchParams.get('token');
    const how = await standing();
    if (how === 'foreign' || (how === 'outside' && !(await feedIsOpen(token))))
      return refusal(
        'This calendar needs its token, or a device that has entered. The Workshop shows the address.',
        401,
      );
    seeToThePlan();
    const { name, timeZone } = await getWorkshop();
    const plan = await shownPlan(timeZone, everyTask);
    return new Response(await inPool('calendar', { plan, name, timeZone, origin: url.origin }), {
      headers: {
        'Content-Type': 'text/calendar; charset=utf-8',
        'Content-Disposition': 'inline; filename="kvell-bench.ics"',
        'Cache-Control': 'no-store',
      },
    });
  } catch (failure) {
    return failed(failure);
  }
}
