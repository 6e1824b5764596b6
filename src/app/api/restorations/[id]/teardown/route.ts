import Joi from 'joi';
import { findRestoration } from '@/data/restorations';
import { teardownOf } from '@/data/teardown';
import { asFile, fileName } from '@/edge/fileName';
import { respond } from '@/edge/respond';
import { write } from '@/edge/write';
import { fastenersCsv, takeInFasteners } from '@/stages/teardown/fasteners';
import { teardownSheet } from '@/stages/teardown/sheet';

interface Context {
  params: Promise<{ id: string }>;
}

const MOST_BYTES = 2 * 1024 * 1024;

/** The teardown as a file: `?as=csv` for its fasteners, else the Markdown sheet. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const restoration = await findRestoration((await params).id);
  if (!restoration) return new Response('This restoration is not here.', { status: 404 });
  const teardown = await teardownOf(restoration.id);
  const name = fileName(restoration.title);
  if (new URL(request.url).searchParams.get('as') === 'csv')
    return asFile(fastenersCsv(teardown), 'text/csv; charset=utf-8', `${name}-fasteners.csv`);
  return asFile(teardownSheet(restoration.title, teardown), 'text/markdown; charset=utf-8', `${name}-teardown.md`);
}

/** Takes fasteners in from a CSV. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  const file = (await request.formData()).get('file');
  const text = file instanceof File && file.size <= MOST_BYTES ? await file.text() : undefined;
  const schema = Joi.object<{ id: string; text: string }>({
    id: Joi.string().required(),
    text: Joi.string()
      .required()
      .label('File')
      .messages({ 'any.required': 'Choose a CSV file of at most 2 MB.', 'string.empty': 'This file is empty.' }),
  });
  return respond(await write(schema, { id, text }, (given) => takeInFasteners(given.id, given.text)));
}
