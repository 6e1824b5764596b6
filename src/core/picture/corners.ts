import { median } from '../numbers';
import { LINEAR_OF_CODE } from '../colour/bulk';
import { Refusal } from '../refusal';
import type { Picture, Point } from './picture';

/** Corners of a face in a picture: upper left, upper right, lower right, lower left. */
export type Corners = readonly [Point, Point, Point, Point];

/** Four corners out of an outline: those farthest in the four diagonal directions from its middle. */
export function fourCorners(outline: readonly Point[]): Corners {
  const far = (dx: number, dy: number) =>
    outline.reduce((best, point) => (point[0] * dx + point[1] * dy > best[0] * dx + best[1] * dy ? point : best));
  return [far(-1, -1), far(1, -1), far(1, 1), far(-1, 1)];
}

/** A corner flatter than this is none. */
const LEAST_SINE = 0.25;

/** @throws Refusal where the corners are crossed, or lie nearly in a line */
export function checkCorners(corners: Corners): void {
  const sines = corners.map((corner, i) => {
    const [before, after] = [corners[(i + 3) % 4]!, corners[(i + 1) % 4]!];
    const [ax, ay, bx, by] = [before[0] - corner[0], before[1] - corner[1], after[0] - corner[0], after[1] - corner[1]];
    return (ax * by - ay * bx) / Math.max(1e-9, Math.hypot(ax, ay) * Math.hypot(bx, by));
  });
  if (sines.some((sine) => sine < 0) && sines.some((sine) => sine > 0))
    throw new Refusal(
      'corners',
      'The corners are crossed. Set them round the face in order: upper left, upper right, lower right, lower left.',
    );
  if (sines.some((sine) => Math.abs(sine) < LEAST_SINE))
    throw new Refusal('corners', 'Three of the corners lie nearly in a line. Put each on its own corner of the face.');
}

const SAMPLES = 80;
/** Less change of light than this (of 3 for white) is no edge. */
const LEAST_RISE = 0.01;
/** Ends of an edge are left out: they are round. */
const ENDS = 0.12;
const STEP_PX = 0.5;
/** How much less an edge at the end of the reach counts than one under the hand: e to this. */
const NEAR = 1.5;

/** The edge of a shadow changes the light and not the colour: it counts for so much of an edge that changes both. */
const SHADOW_SHARE = 0.3;
/** Change of colour, red less blue as a share of the light, that no shadow makes. */
const OTHER_COLOUR = 0.03;

/** Light of a picture between its pixels, and its colour: red less blue, as a share of it. */
function lightAt({ data, width, height }: Picture, x: number, y: number): { light: number; colour: number } {
  const [cx, cy] = [Math.min(width - 2, Math.max(0, x)), Math.min(height - 2, Math.max(0, y))];
  const [ix, iy] = [cx | 0, cy | 0];
  const [fx, fy] = [cx - ix, cy - iy];
  let [light, redder] = [0, 0];
  for (const [column, row, share] of [
    [ix, iy, (1 - fx) * (1 - fy)],
    [ix + 1, iy, fx * (1 - fy)],
    [ix, iy + 1, (1 - fx) * fy],
    [ix + 1, iy + 1, fx * fy],
  ] as const) {
    const p = 4 * (row * width + column);
    const [r, b] = [LINEAR_OF_CODE[data[p]!]!, LINEAR_OF_CODE[data[p + 2]!]!];
    light += share * (r + LINEAR_OF_CODE[data[p + 1]!]! + b);
    redder += share * (r - b);
  }
  return { light, colour: redder / Math.max(1e-3, light) };
}

interface Crossing {
  /** Along the edge, 0 to 1, and across it, px outwards. */
  t: number;
  across: number;
  /** Rise of the light outwards. */
  rise: number;
}

/** Where the light changes most across an edge, along it. */
function crossings(picture: Picture, from: Point, to: Point, reachPx: number): Crossing[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  // Corners go round clockwise on the screen: outwards is to the left of the way.
  const [nx, ny] = [uy, -ux];
  const steps = Math.ceil((2 * reachPx) / STEP_PX);
  const profile = new Float64Array(steps + 1);
  const colours = new Float64Array(steps + 1);
  return Array.from({ length: SAMPLES }, (_, i): Crossing => {
    const t = ENDS + ((1 - 2 * ENDS) * (i + 0.5)) / SAMPLES;
    const [x, y] = [from[0] + t * length * ux, from[1] + t * length * uy];
    for (let k = 0; k <= steps; k++) {
      const s = k * STEP_PX - reachPx;
      const here = lightAt(picture, x + s * nx, y + s * ny);
      profile[k] = here.light;
      colours[k] = here.colour;
    }
    // Over four steps: wider than the noise of a pixel, narrower than an edge's shadow.
    const slope = (k: number) => profile[Math.min(steps, k + 2)]! - profile[Math.max(0, k - 2)]!;
    // The hand was near: of two edges the nearer one counts for more.
    const otherColour = (k: number) =>
      Math.min(1, Math.abs(colours[Math.min(steps, k + 4)]! - colours[Math.max(0, k - 4)]!) / OTHER_COLOUR);
    const weight = (k: number) =>
      Math.abs(slope(k)) *
      (SHADOW_SHARE + (1 - SHADOW_SHARE) * otherColour(k)) *
      Math.exp(-NEAR * ((k * STEP_PX - reachPx) / reachPx) ** 2);
    let best = 2;
    for (let k = 3; k <= steps - 2; k++) if (weight(k) > weight(best)) best = k;
    const [a, b, c] = [best - 1, best, best + 1].map((k) => Math.abs(slope(k))) as [number, number, number];
    const bend = a - 2 * b + c;
    const fine = bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (a - c)) / bend)) : 0;
    return { t, across: (best + fine) * STEP_PX - reachPx, rise: slope(best) };
  });
}

/** Line through crossings that does not mind the odd badge or hole: median of slopes, then least squares of what fits. */
function lineThrough(found: readonly Crossing[]): { at0: number; at1: number } | null {
  const side = Math.sign(found.reduce((sum, { rise }) => sum + rise, 0));
  const strong = median(found.map(({ rise }) => Math.abs(rise)))!;
  if (strong < LEAST_RISE) return null;
  const good = found.filter(({ rise }) => Math.sign(rise) === side && Math.abs(rise) > 0.4 * strong);
  if (good.length < SAMPLES / 4) return null;
  const slopes: number[] = [];
  const half = good.length >> 1;
  for (let i = 0; i + half < good.length; i++)
    slopes.push((good[i + half]!.across - good[i]!.across) / (good[i + half]!.t - good[i]!.t));
  const slope = median(slopes)!;
  const level = median(good.map(({ t, across }) => across - slope * t))!;
  const fits = good.filter(({ t, across }) => Math.abs(across - level - slope * t) < 2);
  if (fits.length < SAMPLES / 5) return { at0: level, at1: level + slope };
  const n = fits.length;
  const mt = fits.reduce((sum, { t }) => sum + t, 0) / n;
  const ma = fits.reduce((sum, { across }) => sum + across, 0) / n;
  const best =
    fits.reduce((sum, { t, across }) => sum + (t - mt) * (across - ma), 0) /
    Math.max(
      1e-9,
      fits.reduce((sum, { t }) => sum + (t - mt) ** 2, 0),
    );
  return { at0: ma - best * mt, at1: ma + best * (1 - mt) };
}

interface Line {
  a: Point;
  b: Point;
}

function meet({ a, b }: Line, { a: c, b: d }: Line): Point | null {
  const det = (b[0] - a[0]) * (d[1] - c[1]) - (b[1] - a[1]) * (d[0] - c[0]);
  if (Math.abs(det) < 1e-6) return null;
  const t = ((c[0] - a[0]) * (d[1] - c[1]) - (c[1] - a[1]) * (d[0] - c[0])) / det;
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
}

/**
 * Corners set by hand, moved onto the face's own edges: along each edge the place where the light changes most, a line
 * through those, and where two lines meet.
 *
 * @param reachPx how far from the hand's corners the edges are looked for
 * @throws Refusal for corners that are crossed or nearly in a line
 */
export function refineCorners(picture: Picture, corners: Corners, reachPx: number): Corners {
  checkCorners(corners);
  const lines = corners.map((from, i): Line => {
    const to = corners[(i + 1) % 4]!;
    const found = lineThrough(crossings(picture, from, to, reachPx));
    if (!found) return { a: from, b: to };
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    const [nx, ny] = [(to[1] - from[1]) / length, -(to[0] - from[0]) / length];
    return {
      a: [from[0] + found.at0 * nx, from[1] + found.at0 * ny],
      b: [to[0] + found.at1 * nx, to[1] + found.at1 * ny],
    };
  });
  return corners.map((corner, i) => {
    const met = meet(lines[(i + 3) % 4]!, lines[i]!);
    // Farther than it was looked for is no corner of this face.
    return met && Math.hypot(met[0] - corner[0], met[1] - corner[1]) <= 2 * reachPx ? met : corner;
  }) as unknown as Corners;
}
