import { insideBesideProxy, onlyPost } from '@/edge/entered';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { STAGES, type Stage } from '@/core/runsheet/stages';
import { LARGEST_FILE_BYTES } from '@/data/photos/decode';
import { addPhoto } from '@/work/photos';
import { answer } from '@/edge/answer';
import { readForm } from '@/edge/body';
import { respond } from '@/edge/respond';

const schema = Joi.object<{ restorationId: string; pieceId: string | null; stage: Stage; photo: File }>({
  restorationId: Joi.string().required(),
  pieceId: Joi.string().allow(null).default(null),
  stage: Joi.string()
    .valid(...STAGES)
    .required(),
  photo: Joi.any().required(),
});

/** Takes one photograph in, as a multipart form. */
export const POST = insideBesideProxy(async (request: Request): Promise<Response> => {
  const form = await readForm(request, LARGEST_FILE_BYTES + 65_536, 'photo', 'The photograph');
  if (!(form instanceof FormData)) return respond(form);
  return respond(
    await answer(schema, Object.fromEntries(form), async ({ photo, ...place }, now) => {
      if (!(photo instanceof File)) throw new Refusal('photo', 'No photograph came with it. Choose a file.');
      const bytes = Buffer.from(await photo.arrayBuffer());
      return addPhoto({ ...place, bytes, originalName: photo.name.slice(0, 200), words: '' }, now);
    }),
  );
});

export { onlyPost as GET, onlyPost as PUT, onlyPost as PATCH, onlyPost as DELETE, onlyPost as OPTIONS };
