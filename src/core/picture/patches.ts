import { LINEAR_OF_CODE } from '../colour/bulk';
import type { LinearRgb } from '../colour/types';
import { Refusal } from '../refusal';
import type { MeasuredPatch } from './correction';
import type { Picture, Rect } from './picture';
import type { CardPatch } from './spec';

/** A code value from here on may have been cut off by the camera. */
export const CLIPPED_CODE = 254;
/** More of a patch or piece than this cut off, and its colour is not known. */
export const CLIPPED_SHARE = 0.02;
const SMALLEST_PATCH_PX = 16;

export interface PatchReading {
  mean: LinearRgb;
  /** Means of its four quarters, for a single patch's own unevenness. */
  quarters: LinearRgb[];
}

/**
 * Reads one card patch.
 *
 * @param field path of the patch in the spec, for messages
 * @throws Refusal outside the picture, too small, burnt out or black
 */
export function readPatch(picture: Picture, rect: Rect, field: string): PatchReading {
  const [x, y, w, h] = rect.map(Math.round) as unknown as Rect;
  if (x < 0 || y < 0 || x + w > picture.width || y + h > picture.height)
    throw new Refusal(
      `${field}.rect`,
      `The card patch reaches outside the picture (${picture.width} × ${picture.height} pixels). Draw it inside.`,
    );
  if (w * h < SMALLEST_PATCH_PX)
    throw new Refusal(
      `${field}.rect`,
      'The card patch is smaller than 16 pixels. Draw it larger, well inside the patch.',
    );
  const halves = [Math.floor(w / 2), Math.floor(h / 2)] as const;
  const parts: Rect[] =
    halves[0] > 0 && halves[1] > 0
      ? [
          [x, y, halves[0], halves[1]],
          [x + halves[0], y, w - halves[0], halves[1]],
          [x, y + halves[1], halves[0], h - halves[1]],
          [x + halves[0], y + halves[1], w - halves[0], h - halves[1]],
        ]
      : [[x, y, w, h]];
  const sums = parts.map((part) => sumOf(picture, part));
  const total = sums.reduce((a, b) => ({
    count: a.count + b.count,
    clipped: a.clipped + b.clipped,
    rgb: [a.rgb[0]! + b.rgb[0]!, a.rgb[1]! + b.rgb[1]!, a.rgb[2]! + b.rgb[2]!],
  }));
  if (total.clipped / total.count > CLIPPED_SHARE)
    throw new Refusal(
      `${field}.rect`,
      'The card patch is burnt out: the camera cut its light off. Take the picture again a stop darker, without glare on the card.',
    );
  if (total.rgb.every((v) => v! / total.count < 0.002))
    throw new Refusal(
      `${field}.rect`,
      'The card patch is black in this picture. Check that the frame lies on the card, or take the picture with more light.',
    );
  const mean = (sum: typeof total) => sum.rgb.map((v) => v / sum.count) as unknown as LinearRgb;
  return { mean: mean(total), quarters: sums.map(mean) };
}

function sumOf({ width, data }: Picture, [x, y, w, h]: Rect) {
  const rgb = [0, 0, 0];
  let clipped = 0;
  for (let row = y; row < y + h; row++) {
    let i = 4 * (row * width + x);
    for (let column = 0; column < w; column++, i += 4) {
      const r = data[i]!;
      const g = data[i + 1]!;
      const b = data[i + 2]!;
      rgb[0]! += LINEAR_OF_CODE[r]!;
      rgb[1]! += LINEAR_OF_CODE[g]!;
      rgb[2]! += LINEAR_OF_CODE[b]!;
      if (r >= CLIPPED_CODE || g >= CLIPPED_CODE || b >= CLIPPED_CODE) clipped++;
    }
  }
  return { rgb, clipped, count: w * h };
}

/** The readings as patches for `fitCorrection`; a single patch stands for its four quarters in the residual. */
export function residualPatches(card: readonly CardPatch[], readings: readonly PatchReading[]): MeasuredPatch[] {
  if (card.length > 1) return card.map(({ srgb }, i) => ({ srgb, measured: readings[i]!.mean }));
  return card.flatMap(({ srgb }, i) => readings[i]!.quarters.map((measured) => ({ srgb, measured })));
}
