import { findPhoto, readOriginal, readThumbnail, THUMBNAIL_PX, type ThumbnailSize } from '@/data/photos/store';
import { mimeOf } from '@/data/photos/decode';
import { insideOnly } from '@/edge/entered';
import { HARMLESS } from '@/edge/fileName';

/** A photograph: the original, or with `?size=small|large` a small upright picture. It is what its bytes are, whatever a row says. */
export const GET = insideOnly(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const photo = await findPhoto((await params).id);
    const missing = () => new Response('This photograph is not here.', { status: 404 });
    if (!photo) return missing();
    const size = new URL(request.url).searchParams.get('size');
    if (size !== null && !Object.hasOwn(THUMBNAIL_PX, size))
      return new Response(`There is no such size. Choose one of ${Object.keys(THUMBNAIL_PX).join(', ')}.`, {
        status: 400,
      });
    const bytes = await (size === null ? readOriginal(photo) : readThumbnail(photo, size as ThumbnailSize)).catch(
      (failure: NodeJS.ErrnoException) => {
        if (failure.code === 'ENOENT') return null;
        throw failure;
      },
    );
    if (!bytes) return missing();
    const mime = await mimeOf(bytes);
    return new Response(new Uint8Array(bytes), {
      headers: {
        ...HARMLESS,
        'Content-Type': mime ?? 'application/octet-stream',
        'Cache-Control': 'private, max-age=31536000, immutable',
        'Content-Disposition': mime ? 'inline' : 'attachment',
      },
    });
  },
);
