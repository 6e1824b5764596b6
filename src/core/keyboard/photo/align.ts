import { Matrix, solve } from 'ml-matrix';
import { median } from '../../numbers';
import type { Corners } from '../../picture/corners';
import { homographyThrough, project } from '../../picture/homography';
import type { Point } from '../../picture/picture';
import { rectPolygon } from '../../picture/polygon';
import { evened } from './evened';
import { channelOf, fieldOf, type Field, type FieldPicture } from './field';
import { likenessOf, medianPatch, patchOf, type BoxMm } from './patch';

/** Coarse is enough to lay caps on caps, cells a mm. */
const PX_PER_MM = 2;
/** Hands mark corners so far off that the middle of a field is shifted by up to this, mm; caps stand farther apart. */
const REACH_MM = 5;
const AROUND_MM = 3;
const EVEN_MM = 14;
/** A key whose shift is off from that of all by more than this does not count, mm. */
const ASTRAY_MM = 1.2;

interface Shift {
  at: Point;
  by: Point;
}

/** Shifts as a function of the place: of the first degree and, with enough of them, of the second, as a wrong corner makes them. */
function fitted(shifts: readonly Shift[]): (at: Point) => Point {
  const terms = ([x, y]: Point) => (shifts.length >= 14 ? [1, x, y, x * y, x * x, y * y] : [1, x, y]);
  if (shifts.length < 4) {
    const middle = (k: 0 | 1) => median(shifts.map(({ by }) => by[k])) ?? 0;
    return () => [middle(0), middle(1)];
  }
  const places = new Matrix(shifts.map(({ at }) => terms(at)));
  const [fx, fy] = [0, 1].map((k) => solve(places, Matrix.columnVector(shifts.map(({ by }) => by[k]!)), true));
  const value = (fit: Matrix | undefined, at: Point) =>
    fit!.to1DArray().reduce((sum, factor, i) => sum + factor * terms(at)[i]!, 0);
  return (at) => [value(fx, at), value(fy, at)];
}

const mapOf = (field: Field) => evened(channelOf(field, 0), field, EVEN_MM);

/**
 * The corners of a later picture, moved so that its caps lie where those of the first do: two hands never mark a corner
 * alike, and a few pixels at a corner are millimetres in the middle.
 */
export function alignedCorners(
  keys: readonly BoxMm[],
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  first: FieldPicture,
  later: FieldPicture,
): Corners {
  const [a, b] = [first, later].map(({ picture, corners }) =>
    fieldOf(picture, corners, widthMm, heightMm, PX_PER_MM),
  ) as [Field, Field];
  const [was, is] = [mapOf(a), mapOf(b)];
  const reach = { dx: 0, dy: 0, across: REACH_MM * PX_PER_MM, down: REACH_MM * PX_PER_MM };
  const all = keys.map(({ x, y, w, h }): Shift & { likeness: number } => {
    const wide = (by: number) => ({ x: x - by, y: y - by, w: w + 2 * by, h: h + 2 * by });
    const { likeness, dx, dy } = likenessOf(patchOf(was, a, wide(AROUND_MM)), patchOf(is, b, wide(AROUND_MM)), reach);
    return { at: [x + w / 2, y + h / 2], by: [dx / PX_PER_MM, dy / PX_PER_MM], likeness };
  });
  const middle = (k: 0 | 1) => median(all.map(({ by }) => by[k])) ?? 0;
  let used: Shift[] = all.filter(({ likeness }) => likeness > 0.4);
  if (used.length === 0) return later.corners;
  let shift: (at: Point) => Point = () => [middle(0), middle(1)];
  for (const limit of [3 * ASTRAY_MM, 2 * ASTRAY_MM, ASTRAY_MM]) {
    const near = used.filter(({ at, by }) => Math.hypot(by[0] - shift(at)[0], by[1] - shift(at)[1]) < limit);
    if (near.length < Math.max(3, 0.3 * keys.length)) break;
    used = near;
    shift = fitted(used);
  }
  const plane = rectPolygon([0, 0, widthMm, heightMm]);
  // Beyond the caps a curve runs away: the corners follow from four places within them.
  const [xs, ys] = [keys.map(({ x, w }) => x + w / 2), keys.map(({ y, h }) => y + h / 2)];
  const [l, r, t, d] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  if (r - l < 10 || d - t < 10) {
    const by = shift([(l + r) / 2, (t + d) / 2]);
    const back = homographyThrough(plane, later.corners);
    return plane.map(([x, y]) => project(back, [x + by[0], y + by[1]])) as unknown as Corners;
  }
  const inner = rectPolygon([l, t, r - l, d - t]);
  const out = homographyThrough(plane, later.corners);
  const moved = inner.map((at) => {
    const by = shift(at);
    return project(out, [at[0] + by[0], at[1] + by[1]]);
  });
  const onto = homographyThrough(inner, moved);
  return plane.map((corner) => project(onto, corner)) as unknown as Corners;
}

/** Fineness that keys are settled at, cells a mm. */
const SETTLE_PX_PER_MM = 3;
/** Hands and lenses put a key so far from where the layout has it, mm. */
const OFF_MM = 1.6;
/** From so many keys of one size on it is known what they have in common. */
const LEAST_ALIKE = 5;

/** What keys of one size share, worked out once for each size; `null` where too few are of it. */
export function sharedBy<K extends BoxMm, T>(
  keys: readonly K[],
  isOfSize: (a: K, b: K) => boolean,
  work: (alike: number[]) => T,
): (i: number) => T | null {
  const known = new Map<string, T | null>();
  return (i) => {
    const { w, h } = keys[i]!;
    const name = `${w.toFixed(2)}x${h.toFixed(2)}`;
    if (!known.has(name)) {
      const alike = keys.flatMap((other, j) => (isOfSize(keys[i]!, other) ? [j] : []));
      known.set(name, alike.length < LEAST_ALIKE ? null : work(alike));
    }
    return known.get(name)!;
  };
}

/**
 * Keys where they stand on a photograph, not where the layout has them: each is laid on what all of its size have in
 * common, and what comes out is smoothed over the board. Without it, what is left of one print less the common look of all
 * is a ghost of its place, not of its print.
 */
export function settledKeys<K extends BoxMm>(
  keys: readonly K[],
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  { picture, corners }: FieldPicture,
  isOfSize: (a: K, b: K) => boolean,
): K[] {
  const field = fieldOf(picture, corners, widthMm, heightMm, SETTLE_PX_PER_MM);
  const map = evened(channelOf(field, 0), field, EVEN_MM);
  const more = Math.round(OFF_MM * SETTLE_PX_PER_MM);
  let settled = [...keys];
  for (let round = 0; round < 2; round++) {
    const whole = settled.map(({ x, y, w, h }) => ({
      x: x - OFF_MM,
      y: y - OFF_MM,
      w: w + 2 * OFF_MM,
      h: h + 2 * OFF_MM,
    }));
    const wide = whole.map((box) => patchOf(map, field, box));
    const commonOf = sharedBy(keys, isOfSize, (alike) => medianPatch(alike.map((i) => wide[i]!)));
    const shifts = settled.flatMap((key, i): Shift[] => {
      const common = commonOf(i);
      if (!common) return [];
      const { dx, dy } = likenessOf(patchOf(map, field, key), common, { dx: more, dy: more, across: more, down: more });
      return [
        {
          at: [key.x + key.w / 2, key.y + key.h / 2],
          by: [(more - dx) / SETTLE_PX_PER_MM, (more - dy) / SETTLE_PX_PER_MM],
        },
      ];
    });
    if (shifts.length < LEAST_ALIKE) return settled;
    const middle = (k: 0 | 1) => median(shifts.map(({ by }) => by[k]))!;
    const near = shifts.filter(({ by }) => Math.hypot(by[0] - middle(0), by[1] - middle(1)) < ASTRAY_MM);
    const shift = fitted(near.length >= LEAST_ALIKE ? near : shifts);
    settled = settled.map((key) => {
      const [dx, dy] = shift([key.x + key.w / 2, key.y + key.h / 2]);
      return { ...key, x: key.x + dx, y: key.y + dy };
    });
  }
  return settled;
}
