import { median } from '../../numbers';
import { checkCorners } from '../../picture/corners';
import type { BoardKey } from '../layout';
import { evened } from './evened';
import { likenessOf, medianPatch, patchOf, spreadOf, turnedRound, type Patch, type Reach } from './patch';
import { alignedCorners, settledKeys, sharedBy } from './align';
import { ALIKE, BY_MORE, swapped } from './swaps';
import { channelOf, fieldOf, type Field, type FieldPicture } from './field';

/** What became of the cap of a key between two pictures. */
export type CapChange =
  | { kind: 'same' | 'turned' | 'missing' | 'back' | 'unclear' }
  /** The cap of another key stands here. */
  | { kind: 'swapped'; from: string };

type Placed = Pick<BoardKey, 'id' | 'x' | 'y' | 'w' | 'h'>;

/** Fineness that both are laid on one another at, cells a mm. */
const PX_PER_MM = 3;
/** The rim of a cap is left out: it looks the same on all. */
const RIM_MM = 2.2;
const rimOf = ({ w, h }: Placed) => Math.min(RIM_MM, 0.16 * Math.min(w, h));
/** Print may be seen shifted: the patch that it is looked for in is larger by so much on each side, mm. */
const MORE_MM = 1;
/** One cap sits otherwise than the rest by so much, mm. */
const STRAY_MM = 0.7;
const cells = (mm: number) => Math.round(mm * PX_PER_MM);
/** From another place the top of a cap is seen shifted by so much, mm. */
const SHIFT_MM = { across: 1.2, down: 2.4 };
/** Ground is evened over so many mm on each side, so that print alone is compared. */
const EVEN_MM = 4;
/** Print that is as alike as this is the same print, and so much more alike than its own it is another’s: correlations. */
const TURNED = 0.7;
const TURNED_PRINT = 0.36;
/** Own print that is as alike as this is not doubted. */
const UNDOUBTED = 0.95;
/** Two caps whose prints are as alike as this are not told apart. */
const ONE_PRINT = 0.93;
/** The field of a photograph is not even: caps of two places stand otherwise on their places by so much, mm. */
const UNEVEN_MM = 1.3;
/** Where no cap stands, the ground differs from the field by less than this share of what caps do; by this where print is gone too. */
const BARE = 0.3;
const PERHAPS_BARE = 0.6;
/** Print that is less alike than this is not there any more; where the ground is another too, it may look more alike by chance. */
const GONE = 0.45;
const GONE_WITH_GROUND = 0.7;
/** A cap has print where its ground varies by so much, L*. */
const PRINTED = 1.6;
/** Two caps are of one size within this share. */
const SIZE = 0.12;

const ofOneSize = (a: Placed, b: Placed) => Math.abs(a.w / b.w - 1) < SIZE && Math.abs(a.h / b.h - 1) < SIZE;

/** A patch less what all caps of its size have in common: what is left is its print. */
function without({ columns, rows, values }: Patch, common: Patch): Patch {
  const at = (row: number, column: number) =>
    common.values[Math.min(common.rows - 1, row) * common.columns + Math.min(common.columns - 1, column)]!;
  return {
    ...{ columns, rows },
    values: values.map((value, i) => value - at(Math.floor(i / columns), i % columns)),
  };
}

/** The two grounds of a key: its cap, and the field round about it. */
function grounds(field: Field, key: Placed): { cap: number[]; around: number[] } {
  const { columns, rows, lab } = field;
  const channel = (k: number, inside: (d: number) => boolean) => {
    const values: number[] = [];
    const [x0, y0] = [Math.round((key.x - 2) * PX_PER_MM), Math.round((key.y - 2) * PX_PER_MM)];
    const [x1, y1] = [Math.round((key.x + key.w + 2) * PX_PER_MM), Math.round((key.y + key.h + 2) * PX_PER_MM)];
    for (let y = Math.max(0, y0); y < Math.min(rows, y1); y++)
      for (let x = Math.max(0, x0); x < Math.min(columns, x1); x++) {
        const d = Math.min(
          x / PX_PER_MM - key.x,
          key.x + key.w - x / PX_PER_MM,
          y / PX_PER_MM - key.y,
          key.y + key.h - y / PX_PER_MM,
        );
        if (inside(d)) values.push(lab[3 * (y * columns + x) + k]!);
      }
    return median(values) ?? 0;
  };
  // The ring just inside of the rim: a stem never reaches it, a cap always does.
  const ring = rimOf(key);
  return {
    cap: [0, 1, 2].map((k) => channel(k, (d) => d > 0.5 && d < ring + 1)),
    around: [0, 1, 2].map((k) => channel(k, (d) => d > -1.6 && d < -0.2)),
  };
}

const apart = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((one, k) => one - b[k]!));

/**
 * Which caps stand otherwise than on an earlier photograph: in another’s place, upside down, or not at all.
 *
 * A cap without print can be seen to be missing, and no more.
 *
 * @param before with the caps where they belong
 */
export function compareCaps(
  given: readonly Placed[],
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  before: FieldPicture,
  after: FieldPicture,
): Record<string, CapChange> {
  checkCorners(before.corners);
  checkCorners(after.corners);
  const keys = settledKeys(given, { widthMm, heightMm }, before, ofOneSize);
  const corners = alignedCorners(keys, { widthMm, heightMm }, before, after);
  const views = [before, { ...after, corners }].map(({ picture, corners: own }) => {
    const field = fieldOf(picture, own, widthMm, heightMm, PX_PER_MM);
    const print = evened(channelOf(field, 0), field, EVEN_MM);
    const inset = ({ x, y, w, h }: Placed, by: number) => ({ x: x + by, y: y + by, w: w - 2 * by, h: h - 2 * by });
    const seen = keys.map((key) => {
      const shown = patchOf(print, field, inset(key, rimOf(key)));
      const shownWide = patchOf(print, field, inset(key, rimOf(key) - MORE_MM));
      return { inner: shown, whole: shownWide, shown, shownWide, ...grounds(field, key) };
    });
    const commonOf = sharedBy(keys, ofOneSize, (alike) => ({
      inner: medianPatch(alike.map((i) => seen[i]!.inner)),
      whole: medianPatch(alike.map((i) => seen[i]!.whole)),
    }));
    return seen.map((view, i) => {
      const common = commonOf(i);
      return common
        ? { ...view, inner: without(view.inner, common.inner), whole: without(view.whole, common.whole) }
        : view;
    });
  }) as [View[], View[]];
  const [was, is] = views;
  // The lamp may be another: what all caps changed by is no change.
  const lamp = [0, 1, 2].map((k) => median(keys.map((_, i) => is[i]!.cap[k]! - was[i]!.cap[k]!))!);
  const moved = keys.map((_, i) =>
    apart(
      is[i]!.cap,
      was[i]!.cap.map((one, k) => one + lamp[k]!),
    ),
  );
  const usualMove = median(moved)!;
  // Both patches begin at their own corner: laid on one another they are shifted by what the one is larger.
  const more = Math.round(MORE_MM * PX_PER_MM);
  const wide: Reach = { dx: more, dy: more, across: cells(SHIFT_MM.across), down: cells(SHIFT_MM.down) };
  // What is off its middle is off by twice as much once it is turned round.
  const twice: Reach = { ...wide, across: cells(SHIFT_MM.across + STRAY_MM), down: cells(SHIFT_MM.down + STRAY_MM) };
  const shifts = keys.map((_, i) => likenessOf(is[i]!.inner, was[i]!.whole, wide));
  const sure = shifts.filter(({ likeness }) => likeness > ALIKE);
  // From another place all tops are seen shifted alike.
  const common: Reach = {
    dx: median(sure.map(({ dx }) => dx)) ?? more,
    dy: median(sure.map(({ dy }) => dy)) ?? more,
    across: cells(STRAY_MM),
    down: cells(STRAY_MM),
  };
  const alike = (a: Patch, b: Patch) => likenessOf(a, b, common).likeness;
  const own = keys.map((_, i) => alike(is[i]!.inner, was[i]!.whole));
  const bare = (view: readonly View[], i: number, share = BARE) => {
    const typical = median(view.map(({ cap, around }) => apart(cap, around)))!;
    return apart(view[i]!.cap, view[i]!.around) < share * typical;
  };
  const changed = (i: number): CapChange => {
    const farOff = moved[i]! > Math.max(6, 3 * usualMove);
    // Print that is still there is on a cap, however like the field the cap looks.
    const printed = spreadOf(was[i]!.inner) > PRINTED;
    const gone = printed ? own[i]! < (farOff ? GONE_WITH_GROUND : GONE) : farOff;
    const [hadNone, hasNone] = [bare(was, i), bare(is, i)];
    if (hasNone && !hadNone && gone) return { kind: 'missing' };
    if (hadNone && !hasNone && gone) return { kind: 'back' };
    if (hadNone || !printed) return { kind: 'same' };
    // Turned about its middle, a top that is seen shifted is shifted twice.
    const turned = likenessOf(is[i]!.shown, turnedRound(was[i]!.shownWide), twice).likeness;
    const shown = likenessOf(is[i]!.shown, was[i]!.shownWide, common).likeness;
    if (turned > TURNED && turned > shown + BY_MORE) return { kind: 'turned' };
    return { kind: like(i, i) > UNDOUBTED ? 'same' : 'unclear' };
  };
  /** How much the cap at one key looks like that which stood at another. */
  const loose: Reach = { ...common, across: cells(UNEVEN_MM), down: cells(UNEVEN_MM) };
  const known = new Map<number, number>();
  const like = (i: number, j: number): number => {
    const at = i * keys.length + j;
    const before = known.get(at);
    if (before !== undefined) return before;
    const found =
      (likenessOf(is[i]!.shown, was[j]!.shownWide, loose).likeness +
        likenessOf(is[i]!.inner, was[j]!.whole, loose).likeness) /
      2;
    known.set(at, found);
    return found;
  };
  const still: Reach = { dx: more, dy: more, across: cells(UNEVEN_MM), down: cells(UNEVEN_MM) };
  /** Whether what was printed on two can be told apart. */
  const differ = (i: number, j: number) => likenessOf(was[i]!.inner, was[j]!.whole, still).likeness < ONE_PRINT;
  const found = keys.map((_, i) => changed(i));
  const doubted = keys.flatMap((_, i) => (found[i]!.kind === 'unclear' ? [i] : []));
  swapped(doubted, (i, j) => ofOneSize(keys[i]!, keys[j]!), like, differ).forEach(
    (from, i) => (found[i] = from === i ? { kind: 'same' } : { kind: 'swapped', from: keys[from]!.id }),
  );
  // Where the light on a cap says more than its print, its print alone is turned.
  for (const i of doubted)
    if (
      found[i]!.kind === 'unclear' &&
      likenessOf(is[i]!.inner, turnedRound(was[i]!.whole), twice).likeness >
        Math.max(TURNED_PRINT, own[i]! + 2 * BY_MORE)
    )
      found[i] = { kind: 'turned' };
    // Print that is nowhere, on a ground that is nearer to the field than caps are.
    else if (found[i]!.kind === 'unclear' && own[i]! < GONE && bare(is, i, PERHAPS_BARE) && !bare(was, i, PERHAPS_BARE))
      found[i] = { kind: 'missing' };
  return Object.fromEntries(keys.map(({ id }, i) => [id, found[i]!]));
}

interface View {
  /** As it is seen, and with a margin. */
  shown: Patch;
  shownWide: Patch;
  /** The same less what all caps of its size have in common. */
  inner: Patch;
  whole: Patch;
  cap: number[];
  around: number[];
}
