import { insideOnly } from '@/edge/entered';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { answer } from '@/edge/answer';
import { respond } from '@/edge/respond';
import { importZip, LARGEST_ZIP_BYTES } from '@/stages/record/importZip';

const schema = Joi.object<{ file: File; copy: boolean }>({ file: Joi.any().required(), copy: Joi.boolean().default(false) });

/** Takes a restoration in from its ZIP, as a multipart form. */
export const POST = insideOnly(async (request: Request): Promise<Response> => {
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_ZIP_BYTES)
    return respond({
      ok: false,
      errors: [{ field: 'file', message: `The ZIP is larger than ${LARGEST_ZIP_BYTES / 1048576} MB. A restoration is smaller than that.` }],
    });
  const form = await request.formData().catch(() => null);
  if (!form) return respond({ ok: false, errors: [{ field: 'file', message: 'The ZIP did not arrive whole. Nothing was kept; send it again.' }] });
  return respond(
    await answer(schema, Object.fromEntries(form), async ({ file, copy }, now) => {
      if (!(file instanceof File)) throw new Refusal('file', 'No ZIP came with it. Choose a file.');
      return importZip(Buffer.from(await file.arrayBuffer()), copy, now);
    }),
  );
});
