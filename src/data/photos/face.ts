import sharp from 'sharp';
import type { Face } from '@/core/face/face';
import type { MeasureSpec } from '@/core/picture/spec';
import { codeOfLinear } from '@/core/colour/bulk';
import type { FacePlane } from '@/core/picture/plane';
import type { Picture } from '@/core/picture/picture';
import type { Srgb } from '@/core/colour/types';
import { Overload, Refusal } from '@/core/refusal';
import { PIECE_REGION } from '../measurements';
import type { Measurement } from '../rows';
import { inPool } from '../heavyPool';
import { decodePicture } from './decode';
import { holding } from './queue';
import { findPhoto, readOriginal } from './store';

/** A measured face, taken out of the photograph it was measured on. */
interface MeasuredFace extends Face {
  /** Of its photograph, pixels. */
  size: { width: number; height: number };
}

/** The photograph of a measurement, and that of its plain sheet. @throws Refusal where one of them is gone */
async function photographed(
  photoId: string,
  { flatField }: MeasureSpec,
): Promise<{ picture: Picture; flat: Picture | null }> {
  const [photo, flat] = [await findPhoto(photoId), flatField ? await findPhoto(flatField) : null];
  if (!photo || (flatField && !flat))
    throw new Refusal('pieceId', 'A photograph of this piece is not here any more. Measure it again.');
  const picture = await decodePicture(await readOriginal(photo));
  return { picture, flat: flat && (await decodePicture(await readOriginal(flat))) };
}

/**
 * A photograph as it was measured: its light evened where a plain sheet went with it.
 *
 * @throws Refusal where one of them is gone, or the sheet is not plain
 */
export const measuredPicture = (photoId: string, spec: MeasureSpec): Promise<Picture> =>
  holding(async () => {
    const { picture, flat } = await photographed(photoId, spec);
    return flat ? inPool('evenedOf', { picture, flat }) : picture;
  });

/**
 * Takes the face of a measurement out of its photograph.
 *
 * @param shape width to height of the first picture of the same face
 * @throws Refusal where the photograph or the outline is gone, or the sheet is not plain
 */
export const measuredFace = (
  { photoId, spec }: Measurement,
  columns: number,
  shape: number | null = null,
): Promise<MeasuredFace> =>
  holding(async () => {
    const { picture, flat } = await photographed(photoId, spec);
    const face = await inPool('face', { picture, flat, spec, regionId: PIECE_REGION, columns, shape });
    return { ...face, size: { width: picture.width, height: picture.height } };
  });

/** Whether a face cannot be had, now or later: its photograph is gone, or it does not show one. */
export const isNoFace = (failure: unknown): boolean =>
  (failure instanceof Refusal && !(failure instanceof Overload)) || (failure as { code?: string }).code === 'ENOENT';

/**
 * The first and a later measured face of a piece, on planes of the same size; `null` where they show different faces.
 *
 * @throws Refusal as `measuredFace`
 */
export async function facesInTime(
  first: Measurement,
  later: Measurement,
  columns: number,
): Promise<readonly [MeasuredFace, MeasuredFace] | null> {
  const then = await measuredFace(first, columns);
  const now = await measuredFace(later, columns, then.shape);
  return (await inPool('sameFace', { first: then, later: now })) ? [then, now] : null;
}

/** A face on its own plane as a picture, one pixel a cell. */
export const facePng = ({ columns, rows, light }: FacePlane): Promise<Buffer> =>
  sharp(Uint8ClampedArray.from(light, codeOfLinear), { raw: { width: columns, height: rows, channels: 3 } })
    .png()
    .toBuffer();

/** Cells drawn as a picture, one pixel each, for a page to show; clear where `colour` gives none. */
export async function cellsUrl(
  { columns, rows }: { columns: number; rows: number },
  colour: (cell: number) => readonly [...Srgb, number] | Srgb | null,
): Promise<string> {
  const pixels = new Uint8Array(4 * columns * rows);
  for (let cell = 0; cell < columns * rows; cell++) {
    const found = colour(cell);
    if (found) pixels.set([...found.slice(0, 3).map(Math.round), found[3] ?? 255], 4 * cell);
  }
  const png = await sharp(pixels, { raw: { width: columns, height: rows, channels: 4 } })
    .png()
    .toBuffer();
  return `data:image/png;base64,${png.toString('base64')}`;
}
