import { expose } from 'comlink';
import { heatPixels } from '@/core/photo/heatMap';
import { measurePicture, type MeasureResult } from '@/core/photo/measure';
import type { Picture } from '@/core/photo/picture';
import type { MeasureSpec } from '@/core/photo/spec';
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

export type MeasureReply = { ok: true; result: MeasureResult; heats: Heat[] } | { ok: false; errors: FieldError[] };

/** Decodes upright and in sRGB: the browser honours EXIF orientation and an embedded profile. */
async function decode(url: string): Promise<Picture> {
  const response = await fetch(url);
  if (!response.ok) throw new Refusal('photo', 'The photograph did not load. Check that Kvell still runs, and measure again.');
  const bitmap = await createImageBitmap(await response.blob(), { imageOrientation: 'from-image' });
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true, colorSpace: 'srgb' });
  if (!context) throw new Refusal('photo', 'This browser cannot decode the photograph in the background. Use a newer one.');
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}

const measureWorker = {
  async measure(url: string, spec: MeasureSpec, onProgress: (share: number) => void): Promise<MeasureReply> {
    try {
      onProgress(0);
      const picture = await decode(url);
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
      return { ok: true, result, heats };
    } catch (failure) {
      if (failure instanceof Refusal) return { ok: false, errors: [{ field: failure.field, message: failure.message }] };
      throw failure;
    }
  },
};

export type MeasureWorker = typeof measureWorker;

expose(measureWorker);
