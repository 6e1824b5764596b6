import { NextResponse, type NextRequest } from 'next/server';
import { failed, foreignWrite, OUTSIDE, refusal, REFUSED, standingOf } from '@/edge/entered';
import { HARMLESS } from '@/edge/fileName';
import { securityHeaders } from '@/edge/origin';
import { PASS_COOKIE } from '@/edge/pass';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Stands before every page and route: own host, own pages for writes, who has entered, and the security headers. */
export async function proxy(request: NextRequest): Promise<Response> {
  return passed(request).catch(failed);
}

async function passed(request: NextRequest): Promise<Response> {
  const how = await standingOf(request.headers.get('host'), request.cookies.get(PASS_COOKIE)?.value);
  if (how === 'foreign') return refusal(REFUSED.foreign.message, REFUSED.foreign.status);
  const foreign = foreignWrite(request);
  if (foreign) return foreign;
  const { pathname, search } = request.nextUrl;
  // An action is called by Kvell's own scripts, with its name in a header: a form that names one in a field is none of them.
  if (
    !READS.has(request.method) &&
    !request.headers.has('next-action') &&
    (!pathname.startsWith('/api/') || isStrayForm(request, pathname))
  )
    return refusal('This was sent as a plain form. Send it from Kvell’s own pages.', 400);
  if (how === 'outside' && !isOutside(request, pathname)) {
    if (request.method === 'GET' && !pathname.startsWith('/api/'))
      return NextResponse.redirect(
        new URL(`${OUTSIDE}?to=${encodeURIComponent(pathname + search)}`, `http://${request.headers.get('host')}`),
      );
    return refusal(REFUSED.outside.message, REFUSED.outside.status);
  }
  const wrong = request.headers.has('next-action') ? await wrongArguments(request) : null;
  if (wrong) return refusal(wrong, 400);
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const headers = securityHeaders(nonce, process.env.NODE_ENV === 'development');
  const forwarded = new Headers(request.headers);
  forwarded.set('x-nonce', nonce);
  // Next reads the nonce for its own scripts from here.
  forwarded.set('content-security-policy', headers['Content-Security-Policy']!);
  const response = NextResponse.next({ request: { headers: forwarded } });
  // What is no page runs nothing; these here would else stand in the place of a file's own.
  const given = pathname.startsWith('/api/') ? { ...headers, ...HARMLESS } : headers;
  for (const [name, value] of Object.entries(given)) response.headers.set(name, value);
  return response;
}

/** Routes that take a form; those with photographs and ZIPs stand beside the proxy. */
const TAKES_FORM = /^\/api\/restorations\/[^/]+\/teardown$/;

/** A form that is sent where none is taken: Next itself would look for an action in it. */
const isStrayForm = (request: NextRequest, pathname: string): boolean =>
  /^(multipart\/form-data|application\/x-www-form-urlencoded)/i.test(request.headers.get('content-type') ?? '') &&
  !TAKES_FORM.test(pathname);

/** Strings of the transport that are plain data: an escaped sign, nothing, a date, numbers that JSON has not, what stands elsewhere in the same list. */
const PLAIN_SIGNS = /^\$(\$|undefined$|D|NaN$|Infinity$|-Infinity$|-0$|0(:[^:]+)+$)/;

/** Kvell's own scripts call actions with plain data, as a JSON list; anything else cannot be read, and is said so. */
async function wrongArguments(request: NextRequest): Promise<string | null> {
  const words = 'Kvell’s own pages do not send this. Load the page again, and send it once more.';
  if (!request.headers.get('content-type')?.startsWith('text/plain')) return words;
  let plain = true;
  try {
    const given: unknown = JSON.parse(await request.clone().text(), (_, value: unknown) => {
      plain &&= typeof value !== 'string' || !value.startsWith('$') || PLAIN_SIGNS.test(value);
      return value;
    });
    return plain && Array.isArray(given) ? null : words;
  } catch {
    return words;
  }
}

/** What the page that asks for the passphrase is made of: the same for everybody, and nothing of the workshop. */
const PUBLIC_FILES = ['/icon.svg', '/icon-192.png', '/icon-512.png', '/favicon.ico', '/manifest.webmanifest', '/sw.js'];
/** Opens by its own token, which its route asks for. */
const CALENDAR = '/api/calendar.ics';
const isPublicFile = (pathname: string) => PUBLIC_FILES.includes(pathname) || pathname.startsWith('/_next/static/');

/** Only the page that asks for the passphrase, its files, and the route that takes it; no action of another page rides along. */
function isOutside(request: NextRequest, pathname: string): boolean {
  if (request.headers.has('next-action')) return false;
  if (READS.has(request.method)) return pathname === OUTSIDE || pathname === CALENDAR || isPublicFile(pathname);
  return pathname === '/api/enter' && request.method === 'POST';
}

/** All but the two routes that take large files, by their exact paths: they stand beside it (`insideBesideProxy`). */
export const config = { matcher: '/((?!api/photos$|api/restorations/import$|api/workshop/restore$).*)' };
