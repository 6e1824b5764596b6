/** 8-bit sRGB code values, 0 to 255, in the order red, green, blue. */
export type Srgb = readonly [number, number, number];

/** CIELAB under D65 and the 2° observer: L* 0 to 100, a*, b*. */
export type Lab = readonly [number, number, number];

/** Linear light relative to the sRGB primaries, nominally 0 to 1. */
export type LinearRgb = readonly [number, number, number];
