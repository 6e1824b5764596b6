import type { ReadableStream } from 'node:stream/web';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { withIncomingBody } from '@/data/incoming';
import { answer } from '@/edge/answer';
import { needsLength } from '@/edge/body';
import { insideBesideProxy, onlyPost } from '@/edge/entered';
import { respond } from '@/edge/respond';
import { importZip, LARGEST_ZIP_BYTES } from '@/stages/record/importZip';

const schema = Joi.object<{ copy: boolean }>({ copy: Joi.boolean().default(false) });

/** Takes a restoration in from its ZIP: the body is the file itself, and `?copy=true` takes it in beside the one that is here. */
export const POST = insideBesideProxy(async (request: Request): Promise<Response> => {
  const { searchParams } = new URL(request.url);
  return respond(
    await answer(schema, Object.fromEntries(searchParams), async ({ copy }, now) => {
      needsLength(request, LARGEST_ZIP_BYTES, 'file', 'The ZIP');
      if (!request.body) throw new Refusal('file', 'No ZIP came with it. Choose a file.');
      return withIncomingBody(request.body as ReadableStream<Uint8Array>, LARGEST_ZIP_BYTES, ({ file }) =>
        importZip(file, copy, now),
      );
    }),
  );
});

export { onlyPost as GET, onlyPost as PUT, onlyPost as PATCH, onlyPost as DELETE, onlyPost as OPTIONS };
