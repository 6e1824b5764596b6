/** A decoded upright picture in sRGB: RGBA, 8 bits a channel, rows from the top. */
export interface Picture {
  width: number;
  height: number;
  data: Uint8Array | Uint8ClampedArray;
}

/** The pixels as 32-bit words, alpha high, then blue, green, red: one visit to memory a pixel. */
export function pixelWords({ data, width, height }: Picture): Uint32Array {
  const aligned = data.byteOffset % 4 === 0 ? data : data.slice();
  return new Uint32Array(aligned.buffer, aligned.byteOffset, width * height);
}

/** A point of the upright picture, pixels from its top left corner. */
export type Point = readonly [number, number];

/** Left, top, width and height in pixels of the upright picture. */
export type Rect = readonly [number, number, number, number];

/** A place on a picture as shares of its width and height, so that it holds at every size. */
export interface Share {
  x: number;
  y: number;
}
