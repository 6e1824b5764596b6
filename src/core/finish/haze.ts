import { lightAt } from '../mending/outline/edge';
import { median } from '../numbers';
import type { Picture, Point } from '../picture/picture';
import { Refusal } from '../refusal';

/** Four places on one picture: white and black of a printed stripe, bare, and both again through or off the surface. */
export interface HazeMarks {
  white: Point;
  black: Point;
  whiteThrough: Point;
  blackThrough: Point;
}

export interface Haze {
  /** Share of the contrast that the surface takes: 0 as clear as nothing, 1 nothing is seen through it. */
  haze: number;
  /** One standard deviation. */
  sd: number;
}

/** The print needs this contrast, or its own error is all that is read. */
const LEAST_CONTRAST = 0.45;
/** Uneven light, the camera’s own curve and the room in the shine of the surface weigh on a contrast so much. */
const UNEVEN = 0.045;
/** A place is read over so many looks to each side. */
const LOOKS = 4;

/** Rec. 709. */
const luminance = ([r, g, b]: readonly [number, number, number]): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;

/** Contrast of two lights: what differs over what both are. */
const contrast = (white: number, black: number): number => (white - black) / (white + black);

/**
 * How much a window, or a glossy face, takes of the contrast of what is seen through it or in it.
 *
 * @param reachPx half the side of what is read round each place
 * @throws Refusal where the bare print has no contrast, or white and black are mixed up
 */
export function hazeOf(picture: Picture, marks: HazeMarks, reachPx: number): Haze {
  const read = (at: Point) => {
    const lights: number[] = [];
    for (let i = -LOOKS; i <= LOOKS; i++)
      for (let k = -LOOKS; k <= LOOKS; k++)
        lights.push(luminance(lightAt(picture, [at[0] + (i * reachPx) / LOOKS, at[1] + (k * reachPx) / LOOKS])));
    const middle = median(lights)!;
    const spread = 1.4826 * median(lights.map((light) => Math.abs(light - middle)))!;
    return { middle, spread };
  };
  const [white, black, whiteThrough, blackThrough] = [
    marks.white,
    marks.black,
    marks.whiteThrough,
    marks.blackThrough,
  ].map(read) as [ReturnType<typeof read>, ReturnType<typeof read>, ReturnType<typeof read>, ReturnType<typeof read>];
  const bare = contrast(white.middle, black.middle);
  if (bare < LEAST_CONTRAST)
    throw new Refusal(
      'marks',
      bare < 0
        ? 'The mark of bare white lies on something darker than the mark of bare black. Move them.'
        : 'The bare print has too little contrast: print the stripes black on white paper, and photograph them out of the shine of lamps.',
    );
  const through = contrast(whiteThrough.middle, blackThrough.middle);
  if (through < -0.05)
    throw new Refusal(
      'marks',
      'What is seen through it is darker at the mark of white than at that of black. Move them.',
    );
  const noise = (w: typeof white, b: typeof white) =>
    Math.hypot(w.spread / Math.max(1e-3, w.middle + b.middle), b.spread / Math.max(1e-3, w.middle + b.middle));
  return {
    haze: Math.max(0, Math.min(1, 1 - through / bare)),
    sd: Math.hypot(UNEVEN, noise(white, black), noise(whiteThrough, blackThrough) / bare),
  };
}
