/// <reference lib="webworker" />
import { CacheableResponsePlugin } from 'workbox-cacheable-response';
import { ExpirationPlugin } from 'workbox-expiration';
import { registerRoute, setCatchHandler } from 'workbox-routing';
import { KEPT_PAGES } from '@/core/runsheet/keptPages';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope;

/** The files of this build, whose names change with what is in them. */
declare const KVELL_FILES: readonly string[];

const FILES = 'kvell-files';
const PICTURES = 'kvell-pictures';
/** Shown in place of a page that was never opened on this device. */
const AWAY = '/away';
/** Loaded before anybody asks for them. */
const FIRST = ['/', AWAY];
/** A phone at the edge of the network waits no longer than this for a page that it has. */
const PATIENCE_S = 10;
const whole = new CacheableResponsePlugin({ statuses: [200] });

const pages = new NetworkFirst({
  cacheName: KEPT_PAGES,
  networkTimeoutSeconds: PATIENCE_S,
  plugins: [whole, new ExpirationPlugin({ maxEntries: 80 })],
});

/** Whoever has left, or was never let in, leaves nothing of the workshop behind on the device. */
const leave = async () => {
  await Promise.all([KEPT_PAGES, PICTURES].map((name) => caches.delete(name)));
};

registerRoute(
  ({ request, url, sameOrigin }) =>
    sameOrigin && request.mode === 'navigate' && request.method === 'GET' && !url.pathname.startsWith('/api/'),
  async (given) => {
    const response = await pages.handle(given);
    if (given.url.pathname === '/enter' && response.ok) await leave();
    return response;
  },
);

registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
  new CacheFirst({ cacheName: FILES, plugins: [whole] }),
);

/** So many files are fetched at a time: whoever uses Kvell meanwhile does not notice. */
const AT_A_TIME = 3;

/** Fetches what the pages load only when somebody asks for it: it could not be fetched any more. Files of another build go. */
async function fetchFiles(): Promise<void> {
  const cache = await caches.open(FILES);
  const here = new Set((await cache.keys()).map(({ url }) => new URL(url).pathname));
  const known = new Set(KVELL_FILES);
  await Promise.all([...here].filter((file) => !known.has(file)).map((file) => cache.delete(file)));
  const wanted = KVELL_FILES.filter((file) => !here.has(file));
  const next = async (): Promise<void> => {
    const file = wanted.shift();
    if (file === undefined) return;
    await cache.add(file);
    return next();
  };
  await Promise.all(Array.from({ length: AT_A_TIME }, next));
}
let fetching: Promise<void> | null = null;

registerRoute(
  ({ request, url, sameOrigin }) =>
    sameOrigin && request.destination === 'image' && url.pathname.startsWith('/api/photos/'),
  new NetworkFirst({ cacheName: PICTURES, plugins: [whole, new ExpirationPlugin({ maxEntries: 300 })] }),
);

setCatchHandler(async ({ request }) =>
  request.mode === 'navigate' ? ((await caches.match(AWAY)) ?? Response.error()) : Response.error(),
);

/** The page in hand: from page to page no whole page is asked for, so the page itself asks for it to be kept. */
self.addEventListener('message', (event) => {
  const { keep } = (event.data ?? {}) as { keep?: unknown };
  if (typeof keep !== 'string') return;
  const url = new URL(keep, self.location.origin);
  if (url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return;
  const page = pages.handle({ event, request: new Request(url) });
  fetching ??= page.then(fetchFiles).finally(() => (fetching = null));
  // Where Kvell goes away in the middle, the rest comes with the next page.
  event.waitUntil(Promise.allSettled([page, fetching]));
});

self.addEventListener('install', (event) => {
  void self.skipWaiting();
  // What cannot be fetched now is kept when it is opened.
  event.waitUntil(caches.open(KEPT_PAGES).then((cache) => cache.addAll(FIRST).catch(() => undefined)));
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
