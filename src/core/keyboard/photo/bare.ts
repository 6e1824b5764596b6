import { median } from '../../numbers';
import { areaOf, heightOf, middleX, middleY, sharedOf, widthOf, type Box, type Candidate } from './boxes';

/** Boxes whose middles stand at one height, from the left. */
export function rowsOf<T extends Box>(boxes: readonly T[], usualHeight: number): T[][] {
  const rows: T[][] = [];
  for (const box of [...boxes].sort((a, b) => middleY(a) - middleY(b))) {
    const row = rows.find(([first]) => Math.abs(middleY(first!) - middleY(box)) < 0.35 * usualHeight);
    if (row) row.push(box);
    else rows.push([box]);
  }
  return rows.map((row) => row.sort((a, b) => a.left - b.left));
}

/** Of the usual cap, cells. */
export interface Size {
  w: number;
  h: number;
}

/** What is lower or narrower than this share of the usual cap is a lamp, a screw or print. */
export const SMALL_SHARE = 0.62;

/** What is left of a key without its cap stands out at so many levels. */
const STEM_LEVELS = 4;
/** A key whose cap is off: what stands there, and the box that the row leaves it. */
interface Bare {
  box: Box;
  stem: Box;
}

/**
 * How far a key reaches to both sides of its stem.
 *
 * @param before, after where its neighbours leave it room; `null` where there is none
 * @param block where all keys begin and end
 */
function roomFor(
  centre: number,
  before: number | null,
  after: number | null,
  block: { left: number; right: number },
  usualWidth: number,
): { left: number; right: number } {
  const own = { left: centre - usualWidth / 2, right: centre + usualWidth / 2 };
  // A neighbour near by says where the key ends; what is open beyond is as wide as keys are.
  const near = (edge: number | null, limit: number) => edge !== null && Math.abs(edge - limit) < 0.3 * usualWidth;
  if (near(before, own.left)) return { left: before!, right: near(after, own.right) ? after! : before! + usualWidth };
  if (near(after, own.right)) return { left: after! - usualWidth, right: after! };
  // A wide one: its stem stands about in its middle.
  if (before !== null && after !== null) {
    const askew = Math.abs((before + after) / 2 - centre) / (after - before);
    return askew < 0.16 ? { left: before, right: after } : own;
  }
  if (before === null && after === null) return own;
  const half = after === null ? centre - before! : after - centre;
  if (half > 1.6 * usualWidth) return own;
  const snapped = (edge: number, limit: number) => (Math.abs(edge - limit) < 0.5 * usualWidth ? limit : edge);
  return after === null
    ? { left: before!, right: snapped(centre + half, block.right) }
    : { left: snapped(centre - half, block.left), right: after };
}

/** Keys without a cap: something stands in a row where a key would be. */
export function bareKeys(
  caps: readonly Candidate[],
  stems: readonly Candidate[],
  usual: Size,
  columns: number,
): Bare[] {
  const rows = rowsOf(
    caps.filter((cap) => heightOf(cap) < 1.4 * usual.h),
    usual.h,
  ).filter((row) => row.length > 1);
  const gaps = rows.flatMap((row) => row.slice(1).map((cap, i) => cap.left - row[i]!.right));
  const gap = median(gaps.filter((one) => one > 0 && one < 0.6 * usual.w)) ?? 0.1 * usual.w;
  const block = { left: Math.min(...caps.map((cap) => cap.left)), right: Math.max(...caps.map((cap) => cap.right)) };
  const found: Bare[] = [];
  for (const row of rows) {
    const [top, bottom] = [median(row.map((cap) => cap.top))!, median(row.map((cap) => cap.bottom))!];
    const here = stems
      .filter(
        (stem) =>
          Math.abs(middleY(stem) - (top + bottom) / 2) < 0.25 * usual.h &&
          stem.levels >= STEM_LEVELS &&
          heightOf(stem) > 0.25 * usual.h &&
          heightOf(stem) < 0.8 * usual.h &&
          widthOf(stem) > 0.2 * usual.w &&
          widthOf(stem) < 0.8 * usual.w &&
          !caps.some((cap) => sharedOf(cap, stem) > 0),
      )
      .sort((a, b) => a.left - b.left);
    for (const stem of here) {
      const centre = middleX(stem);
      const before = [...row, ...found.map(({ box }) => box)]
        .filter((box) => middleX(box) < centre && box.top < bottom && box.bottom > top)
        .reduce((most, { right }) => Math.max(most, right), -Infinity);
      const next = here.find((other) => middleX(other) > centre + 0.4 * usual.w);
      const after = row
        .filter((cap) => middleX(cap) > centre)
        .reduce((least, { left }) => Math.min(least, left), Infinity);
      const bounded = !next || after < middleX(next);
      const { left, right } = roomFor(
        centre,
        before > -Infinity ? before + gap : null,
        bounded && after < Infinity ? after - gap : null,
        block,
        usual.w,
      );
      const box = { left, right, top, bottom };
      if (widthOf(box) < SMALL_SHARE * usual.w || left < -0.1 * usual.w || right > columns + 0.1 * usual.w) continue;
      if (
        [...caps, ...found.map((one) => one.box)].some(
          (one) => sharedOf(one, box) > 0.2 * Math.min(areaOf(one), areaOf(box)),
        )
      )
        continue;
      found.push({ box, stem });
    }
  }
  return found;
}
