import { insideOnly } from '@/edge/entered';
import Joi from 'joi';
import { findRestoration } from '@/data/restorations';
import { listTrays, teardownOf } from '@/data/teardown';
import { asFile, fileName } from '@/edge/fileName';
import { originFor } from '@/edge/network';
import { readForm } from '@/edge/body';
import { respond } from '@/edge/respond';
import { write } from '@/edge/write';
import { fastenersCsv, takeInFasteners } from '@/stages/teardown/fasteners';
import { labelsOf } from '@/stages/teardown/labels';
import { labelsPdf } from '@/stages/teardown/labelsPdf';
import { PAPER_NAMES } from '@/stages/teardown/papers';
import { sheetMarkdown, sheetOf } from '@/stages/teardown/sheet';
import { sheetPdf } from '@/stages/teardown/sheetPdf';

interface Context {
  params: Promise<{ id: string }>;
}

const MOST_BYTES = 2 * 1024 * 1024;

/** The teardown as a file: `?as=csv` its fasteners, `?as=pdf` the sheet, `?as=labels&paper=a4` the labels, else the sheet in Markdown. */
export const GET = insideOnly(async (request: Request, { params }: Context): Promise<Response> => {
  const restoration = await findRestoration((await params).id);
  if (!restoration) return new Response('This restoration is not here.', { status: 404 });
  const teardown = await teardownOf(restoration.id);
  const name = fileName(restoration.title);
  const asked = new URL(request.url).searchParams;
  const sheet = sheetOf(restoration.title, teardown);
  switch (asked.get('as')) {
    case 'csv':
      return asFile(fastenersCsv(teardown), 'text/csv; charset=utf-8', `${name}-fasteners.csv`);
    case 'pdf':
      return asFile(new Uint8Array(await sheetPdf(sheet)), 'application/pdf', `${name}-teardown.pdf`);
    case 'labels': {
      const paper = PAPER_NAMES.find((known) => known === asked.get('paper'));
      if (!paper)
        return new Response(`There is no such paper. Choose one of ${PAPER_NAMES.join(', ')}.`, { status: 400 });
      const labels = labelsOf(restoration, teardown, await listTrays());
      if (labels.length === 0)
        return new Response('Nothing is in a tray or bag yet, so there is nothing to label.', { status: 404 });
      return asFile(
        new Uint8Array(await labelsPdf(labels, paper, originFor(request))),
        'application/pdf',
        `${name}-labels-${paper}.pdf`,
      );
    }
    default:
      return asFile(sheetMarkdown(sheet), 'text/markdown; charset=utf-8', `${name}-teardown.md`);
  }
});

/** Takes fasteners in from a CSV. */
export const POST = insideOnly(async (request: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  const form = await readForm(request, MOST_BYTES + 65_536, 'text', 'The CSV');
  if (!(form instanceof FormData)) return respond(form);
  const file = form.get('file');
  const text = file instanceof File && file.size <= MOST_BYTES ? await file.text() : undefined;
  const schema = Joi.object<{ id: string; text: string }>({
    id: Joi.string().required(),
    text: Joi.string()
      .required()
      .label('File')
      .messages({ 'any.required': 'Choose a CSV file of at most 2 MB.', 'string.empty': 'This file is empty.' }),
  });
  return respond(await write(schema, { id, text }, (given, now) => takeInFasteners(given.id, given.text, now)));
});
