import { runningTimers } from '@/data/timers';

/** What runs now; every screen asks for it every few seconds. */
export async function GET(): Promise<Response> {
  return Response.json(await runningTimers(), { headers: { 'Cache-Control': 'no-store' } });
}
