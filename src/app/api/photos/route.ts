import { insideOnly } from '@/edge/entered';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { STAGES, type Stage } from '@/core/runsheet/stages';
import { LARGEST_FILE_BYTES } from '@/data/photos/decode';
import { addPhoto } from '@/data/photos/store';
import { answer } from '@/edge/answer';
import { respond } from '@/edge/respond';

const schema = Joi.object<{ restorationId: string; pieceId: string | null; stage: Stage; photo: File }>({
  restorationId: Joi.string().required(),
  pieceId: Joi.string().allow(null).default(null),
  stage: Joi.string()
    .valid(...STAGES)
    .required(),
  photo: Joi.any().required(),
});

const refusal = (message: string) => respond({ ok: false, errors: [{ field: 'photo', message }] });

/** Takes one photograph in, as a multipart form. */
export const POST = insideOnly(async (request: Request): Promise<Response> => {
  const length = Number(request.headers.get('content-length') ?? 0);
  if (length > LARGEST_FILE_BYTES + 65_536)
    return refusal(`The file is ${Math.round(length / 1048576)} MB. Send pictures of up to ${LARGEST_FILE_BYTES / 1048576} MB.`);
  const form = await request.formData().catch(() => null);
  if (!form) return refusal('The photograph did not arrive whole. Nothing was kept; send it again.');
  return respond(
    await answer(schema, Object.fromEntries(form), async ({ photo, ...place }, now) => {
      if (!(photo instanceof File)) throw new Refusal('photo', 'No photograph came with it. Choose a file.');
      const bytes = Buffer.from(await photo.arrayBuffer());
      return addPhoto({ ...place, bytes, originalName: photo.name.slice(0, 200), words: '' }, now);
    }),
  );
});
