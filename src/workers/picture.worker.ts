import { expose } from 'comlink';
import { faceChange, type FaceChange } from '@/core/face/faceChange';
import { evened } from '@/core/picture/flatField';
import { heatPixels } from '@/core/picture/heatMap';
import { measurePicture, type MeasureResult } from '@/core/picture/measure';
import type { Picture } from '@/core/picture/picture';
import type { MeasureSpec } from '@/core/picture/spec';
import { findOnBench, withHoles, type Found } from '@/core/picture/find';
import type { Srgb } from '@/core/colour/types';
import { Refusal } from '@/core/refusal';
import type { FieldError } from '@/core/sums/fieldErrors';

export interface Heat {
  id: string;
  pixels: Uint8ClampedArray<ArrayBuffer>;
  columns: number;
  rows: number;
  left: number;
  top: number;
  cellPx: number;
}

/** What was measured, with the spec that it was measured by. */
interface Reading {
  spec: MeasureSpec;
  result: MeasureResult;
  heats: Heat[];
}

/** Regions of the measuring screen, as what is kept names them. */
const PIECE = 'piece';
const HIDDEN = 'hidden';

export type Worded<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Decodes upright and in sRGB: the browser honours EXIF orientation and an embedded profile. */
async function decode(url: string): Promise<Picture> {
  const response = await fetch(url);
  if (!response.ok)
    throw new Refusal('photo', 'The photograph did not load. Check that Kvell still runs, and measure again.');
  const bitmap = await createImageBitmap(await response.blob(), { imageOrientation: 'from-image' });
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true, colorSpace: 'srgb' });
  if (!context)
    throw new Refusal('photo', 'This browser cannot decode the photograph in the background. Use a newer one.');
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}

/** A picture by its address, its light evened where a plain sheet was photographed with it. */
interface Source {
  url: string;
  flatUrl?: string | undefined;
}

async function load({ url, flatUrl }: Source): Promise<Picture> {
  const picture = await decode(url);
  return flatUrl ? evened(picture, await decode(flatUrl)) : picture;
}

/** Runs work; what a person can act on comes back as words, everything else breaks off. */
async function inWords<T>(work: () => Promise<T>): Promise<Worded<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (failure) {
    if (failure instanceof Refusal) return { ok: false, errors: [{ field: failure.field, message: failure.message }] };
    throw failure;
  }
}

const pictureWorker = {
  /** Measures a picture, with a heat map of each region; what lies inside the piece's outline and is not it is left out. */
  measure(source: Source, drawn: MeasureSpec, onProgress: (share: number) => void): Promise<Worded<Reading>> {
    return inWords(async () => {
      onProgress(0);
      const picture = await load(source);
      const spec = withHoles(picture, drawn, PIECE, HIDDEN);
      onProgress(0.4);
      const { result, maps } = measurePicture(picture, spec, (share) => onProgress(0.4 + 0.6 * share));
      const heats = maps.map(({ id, cells }) => ({
        id,
        pixels: heatPixels(cells),
        columns: cells.columns,
        rows: cells.rows,
        left: cells.left,
        top: cells.top,
        cellPx: cells.cellPx,
      }));
      return { spec, result, heats };
    });
  },

  /** Card, piece and hidden patch on the bench, as far as the picture allows. */
  find(source: Source, cardSrgb: Srgb): Promise<Worded<Found>> {
    return inWords(async () => findOnBench(await load(source), cardSrgb));
  },

  /** Lays a later picture of a face over the first. */
  change(
    first: Source & { spec: MeasureSpec },
    later: Source & { spec: MeasureSpec },
    targetB: number | null,
    ids: { piece: string; hidden: string },
    onProgress: (share: number) => void,
  ): Promise<Worded<FaceChange>> {
    return inWords(async () => {
      onProgress(0);
      const before = { picture: await load(first), spec: first.spec };
      onProgress(0.3);
      const after = { picture: await load(later), spec: later.spec };
      onProgress(0.6);
      return faceChange(before, after, targetB, ids, (share) => onProgress(0.6 + 0.4 * share));
    });
  },
};

export type PictureWorker = typeof pictureWorker;

expose(pictureWorker);
