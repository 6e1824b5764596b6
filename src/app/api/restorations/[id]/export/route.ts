import { Readable } from 'node:stream';
import { insideOnly, refusal } from '@/edge/entered';
import { gatherBundle } from '@/data/bundle';
import { clock } from '@/edge/clock';
import { asFile, fileName } from '@/edge/fileName';
import { exportHtml } from '@/stages/record/exportHtml';
import { exportMarkdown } from '@/stages/record/exportMarkdown';
import { exportPictures } from '@/stages/record/exportPictures';
import { exportZip } from '@/stages/record/exportZip';
import { facePairs } from '@/stages/record/facePictures';
import { READERS, type Reader } from '@/stages/record/readerWords';
import { toldTo } from '@/stages/record/readers';
import { exhibitionCard, recordPdf, serviceWords } from '@/stages/record/recordPdf';
import { tellStory } from '@/stages/record/story';
import { labelsPdf } from '@/stages/teardown/labelsPdf';
import { PAPERS, type PaperName } from '@/stages/teardown/papers';

const FORMS = ['html', 'zip', 'pdf', 'markdown', 'pictures', 'card', 'label'] as const;
type Form = (typeof FORMS)[number];

const streamed = (content: Readable) => Readable.toWeb(content) as ReadableStream;

/**
 * The record as a file: `?as=html`, `zip`, `pdf`, `markdown`, `pictures`, `card` or `label`, told `for` one of its readers;
 * a label on its `paper`.
 */
export const GET = insideOnly(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { searchParams, origin } = new URL(request.url);
    const form = searchParams.get('as') ?? 'html';
    const reader = searchParams.get('for') ?? 'me';
    const paper = searchParams.get('paper') ?? Object.keys(PAPERS)[0]!;
    if (!(FORMS as readonly string[]).includes(form)) return refusal(`A record goes out as ${FORMS.join(', ')}.`, 400);
    if (!(READERS as readonly string[]).includes(reader))
      return refusal(`A record is told for ${READERS.join(', ')}.`, 400);
    if (!(paper in PAPERS)) return refusal(`There is paper of these kinds: ${Object.keys(PAPERS).join(', ')}.`, 400);
    const bundle = await gatherBundle((await params).id);
    if (!bundle) return new Response('This restoration is not here.', { status: 404 });
    const name = fileName(bundle.restoration.title);
    if (form === 'zip') return asFile(streamed(await exportZip(bundle)), 'application/zip', `${name}.zip`);
    const whole = tellStory(bundle);
    const story = toldTo(reader as Reader, whole);
    const pdf = (bytes: Buffer, what: string) =>
      asFile(new Uint8Array(bytes), 'application/pdf', `${name}-${what}.pdf`);
    if (form === 'label') {
      const label = {
        ...serviceWords(whole, clock()),
        lot: null,
        path: `/restorations/${bundle.restoration.id}/record`,
      };
      return pdf(await labelsPdf([label], paper as PaperName, origin), 'label');
    }
    const pairs = await facePairs(whole);
    switch (form as Exclude<Form, 'zip' | 'label'>) {
      case 'html':
        return asFile(await exportHtml(bundle, reader as Reader, pairs), 'text/html; charset=utf-8', `${name}.html`);
      case 'pdf':
        return pdf(await recordPdf(story, reader as Reader, pairs), 'record');
      case 'card':
        return pdf(await exhibitionCard(toldTo('exhibit', whole), pairs), 'card');
      case 'markdown':
        return asFile(streamed(await exportMarkdown(story, pairs)), 'application/zip', `${name}-markdown.zip`);
      case 'pictures':
        return pairs.size === 0
          ? refusal('No piece was measured twice on the same face yet, so there is no before and after.', 404)
          : asFile(streamed(await exportPictures(whole, pairs)), 'application/zip', `${name}-before-after.zip`);
    }
  },
);
