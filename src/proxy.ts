import { NextResponse, type NextRequest } from 'next/server';
import { doorState } from '@/data/door';
import { isOnLan, ownAddresses } from '@/edge/network';
import { isOwnHost, isSameOrigin, securityHeaders } from '@/edge/origin';
import { holdsPass, PASS_COOKIE } from '@/edge/pass';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
/** What a device sees before it has entered. */
const OUTSIDE = '/enter';

const refuse = (message: string, status = 403) => NextResponse.json({ ok: false, errors: [{ field: '', message }] }, { status });

/** Stands before every page and route: own host, own pages for writes, who has entered, and the security headers. */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  const onLan = isOnLan();
  const door = onLan ? await doorState() : null;
  const letsIn = door !== null && door.open && door.hasPassphrase;
  if (!isOwnHost(request.headers.get('host'), letsIn ? ownAddresses() : [])) return refuse('Kvell answers only at its own address. Open it there.');
  if (!READS.has(request.method) && !isSameOrigin(request.headers))
    return refuse('This write came from another site and was refused. Use Kvell’s own pages.');
  const { pathname, search } = request.nextUrl;
  // A server that the network can reach cannot tell the desk from the network: every device has to enter.
  const inside = door === null || (await holdsPass(request.cookies.get(PASS_COOKIE)?.value, door.seal));
  if (!inside && !isOutside(request, pathname)) {
    if (request.method === 'GET' && !pathname.startsWith('/api/'))
      return NextResponse.redirect(new URL(`${OUTSIDE}?to=${encodeURIComponent(pathname + search)}`, `http://${request.headers.get('host')}`));
    return refuse('This device has not entered. Open Kvell and type the passphrase.', 401);
  }
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const headers = securityHeaders(nonce, process.env.NODE_ENV === 'development');
  const forwarded = new Headers(request.headers);
  forwarded.set('x-nonce', nonce);
  forwarded.set('x-outside', inside ? '0' : '1');
  // Next reads the nonce for its own scripts from here.
  forwarded.set('content-security-policy', headers['Content-Security-Policy']!);
  const response = NextResponse.next({ request: { headers: forwarded } });
  for (const [name, value] of Object.entries(headers)) response.headers.set(name, value);
  return response;
}

/** Only the page that asks for the passphrase, and the route that takes it; no action of another page rides along. */
function isOutside(request: NextRequest, pathname: string): boolean {
  if (request.headers.has('next-action')) return false;
  return (pathname === OUTSIDE && READS.has(request.method)) || (pathname === '/api/enter' && request.method === 'POST');
}

export const config = { matcher: '/((?!_next/static|favicon.ico|icon.svg).*)' };
