import { insideOnly } from '@/edge/entered';
import { newestMark } from '@/data/log';

/** The number of the newest change; every open screen asks for it and draws itself anew when it has grown. */
export const GET = insideOnly(async (): Promise<Response> => {
  return Response.json({ mark: await newestMark() }, { headers: { 'Cache-Control': 'no-store' } });
});
