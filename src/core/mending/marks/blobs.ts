import { LINEAR_OF_CODE } from '../../colour/bulk';
import { darkAround, reduced } from '../../picture/darkAround';
import type { Picture, Point } from '../../picture/picture';
import { RING_INSIDE } from './sheet';

/** A dark round thing on light ground. */
export interface Blob {
  /** Its middle, px; a pixel's own middle is at half a pixel. */
  at: Point;
  /** Of a disc as large, px. */
  radiusPx: number;
  ring: boolean;
}

/** Wider pictures are made smaller to find dots in; their middles are taken from the whole picture. */
const MOST_WIDE = 2200;
/** Light is compared with its mean so far round, of the picture's width. */
const AROUND = 1 / 24;
/** Darker than this share of that it is ink. */
const INK = 0.62;
const LEAST_PX = 24;
/** Wider than this share of the picture is no dot. */
const WIDEST = 1 / 12;
/** A dot seen from the side is so many times as long as wide at most. */
const SLIMMEST = 3;
/**
 * Area over the area of an ellipse with the same moments: 1 for a disc, less for a ring. A ring with a hole of half its
 * width has 0.6; blur fills a small one up.
 */
const RING_FULLNESS = (1 - RING_INSIDE ** 2) / (1 + RING_INSIDE ** 2);
const DISC_OR_RING = 0.86;
const SLACK = 0.16;
/** More things than this are texture; the largest are looked at. */
const MOST_BLOBS = 2500;

/** The middle of a dot from how dark each pixel round it is, in the whole picture. */
function middleOf({ data, width, height }: Picture, [cx, cy]: Point, reachPx: number): Point {
  const [left, right] = [Math.max(0, Math.floor(cx - reachPx)), Math.min(width - 1, Math.ceil(cx + reachPx))];
  const [top, bottom] = [Math.max(0, Math.floor(cy - reachPx)), Math.min(height - 1, Math.ceil(cy + reachPx))];
  const lights: number[] = [];
  for (let y = top; y <= bottom; y++)
    for (let x = left; x <= right; x++) {
      const p = 4 * (y * width + x);
      lights.push(LINEAR_OF_CODE[data[p]!]! + LINEAR_OF_CODE[data[p + 1]!]! + LINEAR_OF_CODE[data[p + 2]!]!);
    }
  const sorted = [...lights].sort((a, b) => a - b);
  // Paper is what most of the rim of the patch is; half of what is darker is noise.
  const paper = sorted[Math.floor(0.75 * sorted.length)]!;
  const least = 0.12 * (paper - sorted[Math.floor(0.05 * sorted.length)]!);
  let [sum, sx, sy] = [0, 0, 0];
  let i = 0;
  for (let y = top; y <= bottom; y++)
    for (let x = left; x <= right; x++, i++) {
      const weight = paper - lights[i]! - least;
      // Round its middle only: what lies in the corners of the patch is something else.
      if (weight <= 0 || Math.hypot(x + 0.5 - cx, y + 0.5 - cy) > reachPx) continue;
      sum += weight;
      sx += weight * (x + 0.5);
      sy += weight * (y + 0.5);
    }
  return sum > 0 ? [sx / sum, sy / sum] : [cx, cy];
}

/** Every dark dot and ring on a picture, as far as it is round. */
export function blobsOf(picture: Picture): Blob[] {
  const small = reduced(picture, Math.max(1, Math.ceil(picture.width / MOST_WIDE)));
  const { width, height, by: size } = small;
  const ink = darkAround(small, Math.max(8, Math.round(width * AROUND)), INK);
  const most = (width * WIDEST) ** 2;
  const stack: number[] = [];
  const found: { x: number; y: number; area: number; long: number; ring: boolean }[] = [];
  for (let start = 0; start < ink.length; start++) {
    if (ink[start] !== 1) continue;
    ink[start] = 2;
    stack.push(start);
    let [area, sx, sy, sxx, syy, sxy, rim] = [0, 0, 0, 0, 0, 0, false];
    while (stack.length > 0) {
      const at = stack.pop()!;
      const [x, y] = [at % width, Math.floor(at / width)];
      area++;
      sx += x;
      sy += y;
      sxx += x * x;
      syy += y * y;
      sxy += x * y;
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) {
        rim = true;
        continue;
      }
      for (const next of [at - 1, at + 1, at - width, at + width])
        if (ink[next] === 1) {
          ink[next] = 2;
          stack.push(next);
        }
    }
    if (rim || area < LEAST_PX || area > most) continue;
    const [mx, my] = [sx / area, sy / area];
    const [vx, vy, c] = [sxx / area - mx * mx + 1 / 12, syy / area - my * my + 1 / 12, sxy / area - mx * my];
    const root = Math.sqrt(Math.max(0, ((vx - vy) / 2) ** 2 + c * c));
    const [big, small] = [(vx + vy) / 2 + root, (vx + vy) / 2 - root];
    if (small <= 0 || big > SLIMMEST ** 2 * small) continue;
    const fullness = area / (4 * Math.PI * Math.sqrt(big * small));
    if (fullness < RING_FULLNESS - SLACK || fullness > 1 + SLACK) continue;
    const ring = fullness < DISC_OR_RING;
    // Moments of a ring are those of its rim and its hole.
    const factor = ring ? 4 / (1 + RING_INSIDE ** 2) : 4;
    found.push({ x: mx, y: my, area, long: Math.sqrt(factor * big), ring });
  }
  return found
    .sort((a, b) => b.area - a.area)
    .slice(0, MOST_BLOBS)
    .map(({ x, y, long, ring }) => {
      const rough: Point = [(x + 0.5) * size, (y + 0.5) * size];
      return { at: middleOf(picture, rough, 1.35 * long * size), radiusPx: long * size, ring };
    });
}
