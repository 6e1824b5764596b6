import { gatherBundle } from '@/data/bundle';
import { exportHtml } from '@/stages/record/exportHtml';
import { exportZip } from '@/stages/record/exportZip';

/** A file name that every system takes. */
const fileName = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'restoration';

/** The record as a file: `?as=html` or `?as=zip`. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const bundle = await gatherBundle((await params).id);
  if (!bundle) return new Response('This restoration is not here.', { status: 404 });
  const zip = new URL(request.url).searchParams.get('as') === 'zip';
  const body = zip ? new Uint8Array(await exportZip(bundle)) : await exportHtml(bundle);
  const name = `${fileName(bundle.restoration.title)}.${zip ? 'zip' : 'html'}`;
  return new Response(body, {
    headers: {
      'Content-Type': zip ? 'application/zip' : 'text/html; charset=utf-8',
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });
}
