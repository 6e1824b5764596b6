import { insideOnly } from '@/edge/entered';
import { findPhoto, readOriginal, readThumbnail, THUMBNAIL_PX, type ThumbnailSize } from '@/data/photos/store';

/** A photograph: the original, or with `?size=small|large` a small upright picture. */
export const GET = insideOnly(async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
  const photo = await findPhoto((await params).id);
  if (!photo) return new Response('This photograph is not here.', { status: 404 });
  const size = new URL(request.url).searchParams.get('size');
  const isSmall = size !== null && size in THUMBNAIL_PX;
  const bytes = isSmall ? await readThumbnail(photo, size as ThumbnailSize) : await readOriginal(photo);
  return new Response(new Uint8Array(bytes), {
    headers: {
      'Content-Type': isSmall ? 'image/webp' : photo.mime,
      'Cache-Control': 'private, max-age=31536000, immutable',
      'Content-Disposition': 'inline',
    },
  });
});
