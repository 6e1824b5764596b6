import pLimit, { type LimitFunction } from 'p-limit';

/** So many pictures are worked on at once: the database needs threads of the same small pool. */
const AT_ONCE = 2;
/** From so many pixels on, one at a time: decoding it takes hundreds of megabytes. */
const LARGE_PIXELS = 24_000_000;

// Kept beside the modules: the built application holds several copies of this file.
const kept = ((globalThis as { kvellPictures?: Record<'any' | 'large' | 'held', LimitFunction> }).kvellPictures ??= {
  any: pLimit(AT_ONCE),
  large: pLimit(1),
  held: pLimit(AT_ONCE),
});

/** Waits until there is room to decode a picture of so many pixels, then does it. */
export const decoding = <T>(pixels: number, work: () => Promise<T>): Promise<T> =>
  pixels >= LARGE_PIXELS ? kept.large(() => kept.any(work)) : kept.any(work);

/** Waits until there is room to hold decoded pictures, too, for as long as the work takes; what it decodes waits as well. */
export const holding = <T>(work: () => Promise<T>): Promise<T> => kept.held(work);
