import type { Picture } from './picture';

/** Under this share of an edge's height within two pixels, the picture is blurred. */
const BLURRED_UNDER = 0.3;
const REACH = 6;

/**
 * Sharpness of the strongest edges: how much of an edge's height lies within its steepest two pixels.
 *
 * @returns about 1 for hard edges, under 0.3 for a blurred picture, `null` without clear edges
 */
export function edgeSharpness({ width, height, data }: Picture): number | null {
  const rowStep = Math.max(1, Math.floor(height / 120));
  const heights: number[] = [];
  const shares: number[] = [];
  for (let y = 0; y < height; y += rowStep) {
    const row = y * width;
    const green = (x: number) => data[4 * (row + x) + 1]!;
    for (let x = REACH + 1; x < width - REACH - 1; x += 3) {
      const rise = Math.abs(green(x + REACH) - green(x - REACH));
      if (rise < 40) continue;
      let steepest = 0;
      for (let d = -REACH; d <= REACH; d++)
        steepest = Math.max(steepest, Math.abs(green(x + d + 1) - green(x + d - 1)));
      heights.push(rise);
      shares.push(Math.min(1, steepest / rise));
    }
  }
  if (heights.length < 30) return null;
  const strong = [...heights].sort((a, b) => a - b)[Math.floor(heights.length * 0.8)]!;
  const best = shares.filter((_, i) => heights[i]! >= strong).sort((a, b) => a - b);
  return best[Math.floor(best.length / 2)]!;
}

/** Whether a picture is too blurred to trust its edges. */
export function isBlurred(picture: Picture): boolean {
  const sharpness = edgeSharpness(picture);
  return sharpness !== null && sharpness < BLURRED_UNDER;
}
