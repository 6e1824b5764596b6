/** A decoded upright picture in sRGB, 8 bits a channel, rows from the top. */
export interface Picture {
  width: number;
  height: number;
  /** 3 (RGB) or 4 (RGBA). */
  channels: 3 | 4;
  data: Uint8Array | Uint8ClampedArray;
}

/** A point of the upright picture, pixels from its top left corner. */
export type Point = readonly [number, number];

/** Left, top, width and height in pixels of the upright picture. */
export type Rect = readonly [number, number, number, number];
