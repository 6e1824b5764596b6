import { insideOnly } from '@/edge/entered';
import { inHand } from '@/bench/inHand';

/** What a phone opens: straight to the bench screen of the restoration in hand. */
export const GET = insideOnly(async (): Promise<Response> => {
  return new Response(null, { status: 307, headers: { Location: await inHand(), 'Cache-Control': 'no-store' } });
});
