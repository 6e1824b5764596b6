/** A file name that every system takes. */
export const fileName = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'restoration';

/** An answer that the browser saves as a file. */
export const asFile = (body: BodyInit, type: string, name: string): Response =>
  new Response(body, { headers: { 'Content-Type': type, 'Content-Disposition': `attachment; filename="${name}"`, 'Cache-Control': 'no-store' } });
