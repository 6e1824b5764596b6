import sharp from 'sharp';
import { readThumbnail } from '@/data/photos/store';
import type { AreaRow, Photo } from '@/data/rows';
import { lastMade } from '@/edge/lastMade';

/** What nobody else is to see: names, files, addresses of an earlier owner. */
export const privateAreas = (areas: readonly AreaRow[]): AreaRow[] => areas.filter(({ use }) => use === 'private');

/** A photograph as it goes out of the house: small, upright, without where and when it was taken, and what is private covered. */
export async function outwardPicture(photo: Photo, areas: readonly AreaRow[]): Promise<Buffer> {
  const picture = await readThumbnail(photo, 'large');
  const own = privateAreas(areas).filter(({ photoId }) => photoId === photo.id);
  if (own.length === 0) return picture;
  const { width, height } = await sharp(picture).metadata();
  const polygons = own
    .map(
      ({ corners }) =>
        `<polygon points="${corners.map(({ x, y }) => `${x * width},${y * height}`).join(' ')}" fill="#565e61"/>`,
    )
    .join('');
  return sharp(picture)
    .composite([
      {
        input: Buffer.from(
          `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${polygons}</svg>`,
        ),
      },
    ])
    .webp({ quality: 82 })
    .toBuffer();
}

const MOST_BYTES = 48 * 1024 * 1024;

/** What went out last: a record goes out in many forms, and again. */
const OUTWARD = lastMade(
  MOST_BYTES,
  ({ length }: Buffer) => length,
  async ({ photo, own }: { photo: Photo; own: readonly AreaRow[] }) =>
    sharp(await outwardPicture(photo, own))
      .jpeg({ quality: 85 })
      .toBuffer(),
);

/** A photograph as it goes out of the house, as everything opens it. */
export function outwardJpeg(photo: Photo, areas: readonly AreaRow[]): Promise<Buffer> {
  const own = privateAreas(areas).filter(({ photoId }) => photoId === photo.id);
  const name = JSON.stringify([photo.hash, own.map(({ corners }) => corners)]);
  return OUTWARD.forceFetch(name, { context: { photo, own } });
}
