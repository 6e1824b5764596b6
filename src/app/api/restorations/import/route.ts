import { insideBesideProxy } from '@/edge/entered';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { answer } from '@/edge/answer';
import { readForm } from '@/edge/body';
import { respond } from '@/edge/respond';
import { importZip, LARGEST_ZIP_BYTES } from '@/stages/record/importZip';

const schema = Joi.object<{ file: File; copy: boolean }>({ file: Joi.any().required(), copy: Joi.boolean().default(false) });

/** Takes a restoration in from its ZIP, as a multipart form. */
export const POST = insideBesideProxy(async (request: Request): Promise<Response> => {
  const form = await readForm(request, LARGEST_ZIP_BYTES + 65_536, 'file', 'The ZIP');
  if (!(form instanceof FormData)) return respond(form);
  return respond(
    await answer(schema, Object.fromEntries(form), async ({ file, copy }, now) => {
      if (!(file instanceof File)) throw new Refusal('file', 'No ZIP came with it. Choose a file.');
      return importZip(Buffer.from(await file.arrayBuffer()), copy, now);
    }),
  );
});
