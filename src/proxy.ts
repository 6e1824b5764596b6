import { NextResponse, type NextRequest } from 'next/server';
import { isOwnHost, isSameOrigin, securityHeaders } from '@/edge/origin';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

const refuse = (message: string) => NextResponse.json({ ok: false, errors: [{ field: '', message }] }, { status: 403 });

/** Stands before every page and route: own host, own pages for writes, and the security headers. */
export function proxy(request: NextRequest): NextResponse {
  if (!isOwnHost(request.headers.get('host'))) return refuse('Kvell answers only at 127.0.0.1. Open it there.');
  if (!READS.has(request.method) && !isSameOrigin(request.headers))
    return refuse('This write came from another site and was refused. Use Kvell’s own pages.');
  const nonce = crypto.randomUUID().replaceAll('-', '');
  const headers = securityHeaders(nonce, process.env.NODE_ENV === 'development');
  const forwarded = new Headers(request.headers);
  forwarded.set('x-nonce', nonce);
  // Next reads the nonce for its own scripts from here.
  forwarded.set('content-security-policy', headers['Content-Security-Policy']!);
  const response = NextResponse.next({ request: { headers: forwarded } });
  for (const [name, value] of Object.entries(headers)) response.headers.set(name, value);
  return response;
}

export const config = { matcher: '/((?!_next/static|favicon.ico|icon.svg).*)' };
