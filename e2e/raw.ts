import http from 'node:http';

export interface Raw {
  status: number;
  headers: http.IncomingHttpHeaders;
  body: string;
}

/** A request exactly as it is written: no path is tidied, no header is made up. */
export const raw = (
  baseURL: string,
  path: string,
  {
    method = 'GET',
    headers = {},
    body = '',
  }: { method?: string; headers?: http.OutgoingHttpHeaders; body?: string } = {},
): Promise<Raw> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(baseURL);
    const request = http.request(
      { hostname, port, path, method, headers: { host: `${hostname}:${port}`, ...headers } },
      (response) => {
        let read = '';
        response.setEncoding('utf8');
        response.on('data', (part: string) => (read += part));
        response.on('end', () => resolve({ status: response.statusCode!, headers: response.headers, body: read }));
      },
    );
    request.on('error', reject);
    request.end(body);
  });

/** Ways round a door: what is left out by its beginning, what is written twice, what is hidden in an escape. */
export const WAYS_ROUND = [
  '/',
  '/restorations',
  '/restorations?x=/_next/static/',
  '/icon.svg',
  '/icon.svgX',
  '/icon.svg/x',
  '/favicon.ico',
  '/favicon.icoX',
  '/_next/static',
  '/_next/staticX',
  '/_next/static/',
  '/_next/static/nothing.js',
  '/_next/static/..%2f..%2frestorations',
  '/_next/image?url=%2Fapi%2Fphotos%2Fx&w=640&q=75',
  '/_next/data/x/restorations.json',
  '//restorations',
  '/./restorations',
  '/%72estorations',
  '/restorations/',
  '/enter/../restorations',
  '/enterX',
  '/enter/x',
  '/api/enterX',
  '/api/mark',
  '/api/mark/',
  '/API/mark',
  '/hand',
  '/nothing-here',
  '/%00',
  '/%',
];
export const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'PATCH'];
/** Headers by which a request might pass for one that was let in already. */
export const HEADER_SETS: http.OutgoingHttpHeaders[] = [
  {},
  { 'x-outside': '0' },
  { 'x-middleware-subrequest': 'src/proxy:src/proxy:src/proxy:src/proxy:src/proxy' },
  { 'x-middleware-next': '1', 'x-middleware-rewrite': '/restorations' },
  { 'x-forwarded-host': '127.0.0.1', 'x-forwarded-for': '127.0.0.1' },
  { rsc: '1', 'next-router-prefetch': '1' },
  { 'next-action': 'a'.repeat(42) },
  { cookie: 'kvell-pass=Fe26.2*1*made*up*by*nobody' },
  { 'x-nextjs-data': '1', purpose: 'prefetch' },
];
