import { LINEAR_OF_CODE } from '../colour/bulk';
import type { Picture } from './picture';

/** A picture made smaller: the linear light of its green, which is most of what the eye calls light. */
export interface Reduced {
  width: number;
  height: number;
  /** Pixels of the picture in one of these. */
  by: number;
  light: Float32Array;
}

/** Each `by` × `by` pixels of a picture as one. */
export function reduced({ data, width, height }: Picture, by: number): Reduced {
  const [w, h] = [Math.floor(width / by), Math.floor(height / by)];
  const light = new Float32Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      let sum = 0;
      for (let dy = 0; dy < by; dy++)
        for (let dx = 0; dx < by; dx++) sum += LINEAR_OF_CODE[data[4 * ((y * by + dy) * width + x * by + dx) + 1]!]!;
      light[y * w + x] = sum / (by * by);
    }
  return { width: w, height: h, by, light };
}

/** 1 where a pixel has less than a share of the mean light so far round it. */
export function darkAround({ width, height, light }: Reduced, reachPx: number, share: number): Uint8Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += light[y * width + x]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  }
  const dark = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - reachPx), Math.min(height, y + reachPx + 1)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - reachPx), Math.min(width, x + reachPx + 1)];
      const sum =
        sums[bottom * (width + 1) + right]! -
        sums[top * (width + 1) + right]! -
        sums[bottom * (width + 1) + left]! +
        sums[top * (width + 1) + left]!;
      if (light[y * width + x]! < (share * sum) / ((bottom - top) * (right - left))) dark[y * width + x] = 1;
    }
  }
  return dark;
}
