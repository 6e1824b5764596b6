import type { ReadableStream } from 'node:stream/web';
import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { withIncomingBody } from '@/data/incoming';
import { LARGEST_BACKUP_BYTES, withZipped } from '@/data/keeping/zipped';
import { answer } from '@/edge/answer';
import { needsLength } from '@/edge/body';
import { insideBesideProxy, onlyPost } from '@/edge/entered';
import { respond } from '@/edge/respond';
import { lookInto, restore, type BackupLook } from '@/work/keeping/keeping';

const schema = Joi.object<{ look: boolean }>({ look: Joi.boolean().required() });

/** What somebody typed, out of a header; one that cannot be read is none. */
function passphraseOf(request: Request): string {
  try {
    return decodeURIComponent(request.headers.get('backup-passphrase') ?? '').slice(0, 200);
  } catch {
    return '';
  }
}

/** A backup that was saved as a file, looked into (`?look=true`) or put back: the body is the file itself. */
export const POST = insideBesideProxy(async (request: Request): Promise<Response> => {
  const { searchParams } = new URL(request.url);
  const passphrase = passphraseOf(request);
  return respond(
    await answer(schema, Object.fromEntries(searchParams), async ({ look }, now) => {
      needsLength(request, LARGEST_BACKUP_BYTES, 'file', 'The backup');
      if (!request.body) throw new Refusal('file', 'No backup came with it. Choose a file.');
      return withIncomingBody(request.body as ReadableStream<Uint8Array>, LARGEST_BACKUP_BYTES, ({ file }) =>
        withZipped<BackupLook | void>(file, passphrase, (source) => (look ? lookInto(source) : restore(source, now))),
      );
    }),
  );
});

export { onlyPost as GET, onlyPost as PUT, onlyPost as PATCH, onlyPost as DELETE, onlyPost as OPTIONS };
