import sharp from 'sharp';
import { faceOf, type Face } from '@/core/face/face';
import type { MeasureSpec } from '@/core/picture/spec';
import { codeOfLinear } from '@/core/colour/bulk';
import type { FacePlane } from '@/core/picture/plane';
import type { Picture } from '@/core/picture/picture';
import type { Srgb } from '@/core/colour/types';
import { Refusal } from '@/core/refusal';
import { PIECE_REGION } from '../measurements';
import type { Measurement } from '../rows';
import { inPool } from '../heavyPool';
import { decodePicture } from './decode';
import { findPhoto, readOriginal } from './store';

/** A measured face, taken out of the photograph it was measured on. */
interface MeasuredFace extends Face {
  picture: Picture;
}

/**
 * A photograph as it was measured: its light evened where a plain sheet went with it.
 *
 * @throws Refusal where one of them is gone
 */
export async function measuredPicture(photoId: string, { flatField }: MeasureSpec): Promise<Picture> {
  const [photo, flat] = [await findPhoto(photoId), flatField ? await findPhoto(flatField) : null];
  if (!photo || (flatField && !flat))
    throw new Refusal('pieceId', 'A photograph of this piece is not here any more. Measure it again.');
  const picture = await decodePicture(await readOriginal(photo));
  return flat ? inPool('evenedOf', { picture, flat: await decodePicture(await readOriginal(flat)) }) : picture;
}

/**
 * Takes the face of a measurement out of its photograph.
 *
 * @param shape width to height of the first picture of the same face
 * @throws Refusal where the photograph or the outline is gone
 */
export async function measuredFace(
  { photoId, spec }: Measurement,
  columns: number,
  shape?: number,
): Promise<MeasuredFace> {
  const picture = await measuredPicture(photoId, spec);
  return { ...faceOf(picture, spec, PIECE_REGION, columns, shape === undefined ? {} : { shape }), picture };
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
