/** A file name that every system takes. */
export const fileName = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'restoration';

/** What came from outside, or is made from it, runs nothing and is nothing else than it says, even opened by itself. */
export const HARMLESS = {
  'Content-Security-Policy': "default-src 'none'; object-src 'none'; frame-ancestors 'none'; sandbox",
  'X-Content-Type-Options': 'nosniff',
} as const;

/** An answer that the browser saves as a file. */
export const asFile = (body: BodyInit, type: string, name: string): Response =>
  new Response(body, {
    headers: {
      ...HARMLESS,
      'Content-Type': type,
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });
