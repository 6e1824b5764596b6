import { createHmac, timingSafeEqual } from 'node:crypto';
import { doorState } from '@/data/door';

/** What opens the calendar and nothing else: made of the door’s own secret, so that signing every device out ends it too. */
export async function feedToken(): Promise<string> {
  const { seal } = await doorState();
  return createHmac('sha256', seal).update('calendar').digest('hex').slice(0, 40);
}

/** Whether a token opens the calendar, on a network that is let in at all. */
export async function feedIsOpen(token: string | null): Promise<boolean> {
  if (token === null || !(await doorState()).open) return false;
  const own = Buffer.from(await feedToken());
  const given = Buffer.from(token);
  return given.length === own.length && timingSafeEqual(given, own);
}
