import { Readable } from 'node:stream';
import { insideOnly } from '@/edge/entered';
import { gatherBundle } from '@/data/bundle';
import { asFile, fileName } from '@/edge/fileName';
import { exportHtml } from '@/stages/record/exportHtml';
import { exportZip } from '@/stages/record/exportZip';

/** The record as a file: `?as=html` or `?as=zip`. */
export const GET = insideOnly(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const bundle = await gatherBundle((await params).id);
    if (!bundle) return new Response('This restoration is not here.', { status: 404 });
    const name = fileName(bundle.restoration.title);
    if (new URL(request.url).searchParams.get('as') === 'zip')
      return asFile(Readable.toWeb(await exportZip(bundle)) as ReadableStream, 'application/zip', `${name}.zip`);
    return asFile(await exportHtml(bundle), 'text/html; charset=utf-8', `${name}.html`);
  },
);
