import { sealData, unsealData } from 'iron-session';

/** The cookie of a device that has entered. */
export const PASS_COOKIE = 'kvell-pass';
const LASTS_S = 90 * 24 * 3600;

interface Pass {
  entered: string;
}

/** A pass sealed with the door's own secret: a new secret makes every pass worthless. */
export const sealPass = (seal: string, now: Date): Promise<string> =>
  sealData({ entered: now.toISOString() } satisfies Pass, { password: seal, ttl: LASTS_S });

/** Whether a cookie holds a pass that this door sealed. */
export async function holdsPass(cookie: string | undefined, seal: string): Promise<boolean> {
  if (!cookie) return false;
  const pass = await unsealData<Partial<Pass>>(cookie, { password: seal, ttl: LASTS_S }).catch(
    () => ({}) as Partial<Pass>,
  );
  return typeof pass.entered === 'string';
}

/** The cookie as the browser is told: not for scripts, not for other sites. The network at home has no certificate, so it is not `Secure`. */
export const passCookie = (sealed: string): string =>
  `${PASS_COOKIE}=${sealed}; Path=/; Max-Age=${LASTS_S}; HttpOnly; SameSite=Lax`;

/** An address of Kvell's own to go on to; anything else leads to the bench. */
export const ownPath = (to: string | null | undefined): string => (to && /^\/(?![/\\])[^\s]*$/.test(to) ? to : '/hand');
