import { median } from '../../numbers';
import type { Corners } from '../../picture/corners';
import { checkCorners } from '../../picture/corners';
import type { Picture } from '../../picture/picture';
import { Refusal } from '../../refusal';
import { areaOf, boxesOfMap, heightOf, middleY, overlapOf, sharedOf, widthOf, type Box, type Candidate } from './boxes';
import { bareKeys, rowsOf, SMALL_SHARE, type Size } from './bare';
import { contrastOf, sharpened } from './edges';
import { withoutGround } from './ground';
import { evened } from './evened';
import { SURE_KEY, type FoundKey } from './found';
import { channelOf, fieldOf, type Field } from './field';

/** Smallest and largest that a cap may be, mm. */
const LEAST_MM = 5;
const HIGHEST_MM = 45;
const WIDEST_MM = 190;
/** What is left where a cap is off may be as small as this, mm. */
const LEAST_STEM_MM = 2.4;
/** A box is looked for by itself at so many levels; at fewer it is chance. */
const LEAST_LEVELS = 2;
/** A cap that is found at so many levels is sure. */
const SURE_LEVELS = 7;
/** The field is evened over so many mm on each side before it is looked at again: glare and the edge of a shadow go. */
const EVEN_MM = [14, 7] as const;

/** All boxes that stand out of the field, in what they are lighter, darker or of another colour. */
function candidatesOn(field: Field): Candidate[] {
  const sizes = {
    least: LEAST_STEM_MM * field.pxPerMm,
    highest: HIGHEST_MM * field.pxPerMm,
    widest: WIDEST_MM * field.pxPerMm,
  };
  const light = channelOf(field, 0);
  const maps = [
    light,
    ...EVEN_MM.map((reach) => evened(light, field, reach)),
    ...([1, 2] as const).map((k) => evened(channelOf(field, k), field, EVEN_MM[0])),
  ];
  const known: Candidate[] = [];
  for (const map of maps)
    for (const box of boxesOfMap(map, field, sizes, ['lighter', 'darker'])) {
      const same = known.find((one) => overlapOf(one, box) > 0.85);
      if (same) same.levels += box.levels;
      else known.push(box);
    }
  return known.filter(({ levels }) => levels >= LEAST_LEVELS);
}

/** Whether a box lies in another one, but for a seam. */
const liesIn = (inner: Box, outer: Box) => sharedOf(inner, outer) > 0.9 * areaOf(inner);

/** Of two boxes in one place the one that is found at so many times the levels is meant: the other took in a shadow. */
const FIRMER = 4;

/**
 * The outermost boxes that are one thing: of the foot of a cap, its top and its print the foot. A box that holds two
 * others side by side is the ground that they stand on.
 */
function outermost<T extends Candidate>(candidates: readonly T[]): T[] {
  const firm = candidates.filter(
    (one) =>
      !candidates.some(
        (other) =>
          other.levels > FIRMER * one.levels &&
          areaOf(other) > 0.4 * areaOf(one) &&
          sharedOf(one, other) > 0.5 * Math.min(areaOf(one), areaOf(other)),
      ),
  );
  const sorted = firm.sort((a, b) => areaOf(b) - areaOf(a));
  const holdsTwo = (outer: T) => {
    const inner = sorted.filter((one) => one !== outer && areaOf(one) < 0.7 * areaOf(outer) && liesIn(one, outer));
    return inner.some((a, i) => inner.slice(i + 1).some((b) => sharedOf(a, b) === 0));
  };
  const chosen: T[] = [];
  for (const one of sorted) {
    if (chosen.some((other) => sharedOf(one, other) > 0.3 * Math.min(areaOf(one), areaOf(other)))) continue;
    if (!holdsTwo(one)) chosen.push(one);
  }
  return chosen;
}

/** A side of a cap is an edge along this share of it at least. */
const LEAST_EDGED = 0.6;
/** A cap differs from what is around it by so much, in L*, a*, b*; a weave or noise does not. */
const CAP_CONTRAST = 2.5;
/** A stem differs from the field by so much, in L*, a*, b*. */
const STEM_CONTRAST = 5;
/** A cap as large as most, but for this share. */
const ALIKE = 0.2;

const isUsual = (box: Box, usual: Size) =>
  Math.abs(widthOf(box) - usual.w) < ALIKE * usual.w && Math.abs(heightOf(box) - usual.h) < ALIKE * usual.h;

/**
 * Whether a box stands as keys do: as large as most, or in a row with others of its height, or over some rows from the
 * upper edge of the one to the lower edge of another. A badge, a lamp or a line of print does not.
 */
function standsAsKey(box: Box, caps: readonly Box[], usual: Size): boolean {
  if (isUsual(box, usual)) return true;
  const near = (a: number, b: number) => Math.abs(a - b) < 0.16 * usual.h;
  const others = caps.filter((other) => other !== box);
  const rowed = others.filter((other) => near(other.top, box.top) && near(other.bottom, box.bottom));
  if (rowed.length > 0) return true;
  const usuals = others.filter((other) => isUsual(other, usual));
  return (
    heightOf(box) > 1.5 * usual.h &&
    usuals.some(({ top }) => near(top, box.top)) &&
    usuals.some(({ bottom }) => near(bottom, box.bottom))
  );
}

/** How sure a box is a cap: it stands out at many levels, and beside others of its height. */
function sureness(cap: Candidate, caps: readonly Candidate[], usual: Size): number {
  const clear = Math.min(1, cap.levels / SURE_LEVELS);
  const beside = caps.filter(
    (other) => other !== cap && Math.abs(middleY(other) - middleY(cap)) < 0.2 * usual.h,
  ).length;
  const alike = Math.abs(heightOf(cap) - usual.h) < 0.15 * usual.h ? 1 : heightOf(cap) > 1.6 * usual.h ? 0.9 : 0.7;
  return (0.35 + 0.65 * clear) * alike * (beside === 0 ? 0.75 : 1);
}

/** So few boxes, and none of them sure, are a line on the bench. */
const FEWEST = 4;

const noKeys = () =>
  new Refusal(
    'photo',
    'Nothing between these corners looks like keys. Set the corners on the keyboard’s field, or take a sharper picture from above.',
  );

/**
 * The keys on a photograph of a keyboard, between the four corners of their field.
 *
 * @param corners of the field, upper left, upper right, lower right, lower left, in pixels of the upright picture
 * @returns in mm on the field, row by row
 * @throws Refusal where the corners are none, or nothing that looks like keys lies between them
 */
export function findKeys(picture: Picture, corners: Corners, widthMm: number, heightMm: number): FoundKey[] {
  checkCorners(corners);
  const field = fieldOf(picture, corners, widthMm, heightMm);
  const { columns, rows, pxPerMm } = field;
  const least = LEAST_MM * pxPerMm;
  const candidates = candidatesOn(field).filter((box) => areaOf(box) < 0.5 * columns * rows);
  const large = candidates.filter((box) => widthOf(box) >= least && heightOf(box) >= least);
  const edged = large
    .map((box) => sharpened(box, field))
    .filter((box) => box.edged > LEAST_EDGED && contrastOf(box, field) > CAP_CONTRAST);
  const first = outermost(edged);
  const h = median(first.map(heightOf));
  if (h === undefined) throw noKeys();
  const rough = edged.filter((box) => heightOf(box) >= SMALL_SHARE * h && widthOf(box) >= SMALL_SHARE * h);
  const caps = outermost(rough);
  const usual = { w: median(caps.map(widthOf))!, h: median(caps.map(heightOf))! };
  const whole = caps.filter((box) => heightOf(box) >= SMALL_SHARE * usual.h && widthOf(box) >= SMALL_SHARE * usual.w);
  const kept = withoutGround(
    whole.filter((cap) => standsAsKey(cap, whole, usual)),
    field,
  );
  const stems = outermost(candidates.filter((box) => !kept.some((cap) => sharedOf(cap, box) > 0)))
    .map((stem) => sharpened(stem, field))
    .filter((stem) => contrastOf(stem, field) > STEM_CONTRAST);
  const bare = bareKeys(kept, stems, usual, columns);
  if (kept.length < FEWEST && kept.every((cap) => sureness(cap, kept, usual) < SURE_KEY)) throw noKeys();
  const inMm = ({ left, top, right, bottom }: Box, confidence: number): FoundKey => ({
    ...{ x: left / pxPerMm, y: top / pxPerMm, w: (right - left) / pxPerMm, h: (bottom - top) / pxPerMm },
    confidence,
  });
  const all = [
    ...kept.map((cap) => ({ box: cap as Box, confidence: sureness(cap, kept, usual) })),
    ...bare.map(({ box }) => ({ box, confidence: 0.55 })),
  ];
  const ordered = rowsOf(
    all.map(({ box, confidence }) => ({ ...box, confidence })),
    usual.h,
  ).flat();
  return ordered.map((box) => inMm(box, box.confidence));
}
