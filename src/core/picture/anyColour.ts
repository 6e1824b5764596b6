import type { Picture } from './picture';

/** So many pixels apart a picture is looked through for colour. */
const LOOK_PX = 7;
/** A pixel with its codes so far apart has colour. */
const COLOUR_CODES = 4;

/** Whether anything on a picture has colour at all. */
export function anyColour({ data, width, height }: Picture): boolean {
  for (let y = 0; y < height; y += LOOK_PX)
    for (let x = 0; x < width; x += LOOK_PX) {
      const at = 4 * (y * width + x);
      const [r, g, b] = [data[at]!, data[at + 1]!, data[at + 2]!];
      if (Math.max(r, g, b) - Math.min(r, g, b) >= COLOUR_CODES) return true;
    }
  return false;
}
