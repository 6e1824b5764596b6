import { newestMark } from '@/data/log';

/** The number of the newest change; every open screen asks for it and draws itself anew when it has grown. */
export async function GET(): Promise<Response> {
  return Response.json({ mark: await newestMark() }, { headers: { 'Cache-Control': 'no-store' } });
}
