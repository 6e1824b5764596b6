/** Names under which this machine is reached from itself. */
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

const hostName = (host: string) => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Whether a request may be answered at all: its host must be this machine, so that a foreign page whose
 * name was pointed at 127.0.0.1 gets nothing.
 *
 * @param addresses of this machine in the local network, where that is let in
 */
export function isOwnHost(host: string | null, addresses: readonly string[] = []): boolean {
  return host !== null && (LOOPBACK.has(hostName(host)) || addresses.includes(hostName(host)));
}

/**
 * Whether a write comes from Kvell's own pages. A browser always says where a write comes from; a request
 * without `Origin` and without `Sec-Fetch-Site` comes from a command line.
 */
export function isSameOrigin(headers: { get: (name: string) => string | null }): boolean {
  const origin = headers.get('origin');
  const site = headers.get('sec-fetch-site');
  if (origin === null) return site === null || site === 'same-origin' || site === 'none';
  try {
    return new URL(origin).host === headers.get('host');
  } catch {
    return false;
  }
}

/** Headers that every answer carries. `nonce` lets Kvell's own scripts run, and no others. */
export function securityHeaders(nonce: string, development: boolean): Record<string, string> {
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    // The style library writes style elements and attributes as it runs.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  return {
    'Content-Security-Policy': policy,
    'X-Content-Type-Options': 'nosniff',
    'X-Frame-Options': 'DENY',
    'Referrer-Policy': 'same-origin',
    'Cross-Origin-Opener-Policy': 'same-origin',
    'Cross-Origin-Resource-Policy': 'same-origin',
    'Permissions-Policy': 'geolocation=(self), camera=(self), microphone=(), payment=()',
  };
}
