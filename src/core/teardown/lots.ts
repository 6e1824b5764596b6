import { Refusal } from '../refusal';

/** What is counted into a lot. Only screws have a length that a hole may be too short for. */
export const THINGS = ['screw', 'nut', 'washer', 'clip', 'spring', 'small part'] as const;
export const DRIVES = [
  'cross',
  'slot',
  'hexagon socket',
  'six-lobe',
  'six-lobe with pin',
  'hexagon head',
  'three-wing',
  'other',
] as const;
export const HEADS = ['pan', 'flat', 'countersunk', 'round', 'flanged', 'none'] as const;
export const SHANKS = ['straight', 'tapered'] as const;
export const FATES = ['kept', 'replaced'] as const;

export type Thing = (typeof THINGS)[number];
export type Drive = (typeof DRIVES)[number];
export type Head = (typeof HEADS)[number];
export type Shank = (typeof SHANKS)[number];
type Fate = (typeof FATES)[number];

/** Fasteners that came out of one step and are alike. Lengths are under the head, mm. */
export interface Lot {
  thing: Thing;
  drive: Drive;
  head: Head;
  diameterMm: number;
  lengthMm: number;
  shank: Shank;
  count: number;
  fate: Fate;
}

export const MOST_IN_A_LOT = 500;

const same = <K extends keyof Lot>(a: Lot, b: Lot, keys: readonly K[]) => keys.every((key) => a[key] === b[key]);

/** Whether two lots look alike in the hand, so that only a ruler tells them apart. */
export const looksLike = (a: Lot, b: Lot): boolean =>
  a.thing === 'screw'
    ? same(a, b, ['thing', 'drive', 'head', 'diameterMm', 'shank'])
    : same(a, b, ['thing', 'diameterMm']);

/** Whether two lots can change places for good. */
export const isSameKind = (a: Lot, b: Lot): boolean =>
  looksLike(a, b) && (a.thing !== 'screw' || a.lengthMm === b.lengthMm);

/** Whether it is known by its bore. */
export const hasBore = (thing: Thing): boolean => thing === 'nut' || thing === 'washer';

/** A lot without its screw's own words: what is no screw has none of them. */
export const PLAIN_THING = { drive: 'other', head: 'none', shank: 'straight', lengthMm: 1, diameterMm: 1 } as const;

const mm = (value: number) => `${Number(value.toFixed(1))} mm`;

/**
 * How a lot is called at the bench: “4 × cross pan, ⌀ 3 × 12 mm, tapered”.
 *
 * @example lotWords({ count: 4, thing: 'screw', drive: 'cross', head: 'pan', diameterMm: 3, lengthMm: 12, shank: 'machine' }) // '4 × cross pan, ⌀ 3 × 12 mm, machine'
 */
export function lotWords({ count, thing, drive, head, diameterMm, lengthMm, shank }: Lot): string {
  if (thing !== 'screw') return `${count} × ${thing}${hasBore(thing) ? `, ⌀ ${mm(diameterMm)}` : ''}`;
  return `${count} × ${drive} ${head === 'none' ? 'headless' : head}, ⌀ ${Number(diameterMm.toFixed(1))} × ${mm(lengthMm)}, ${shank}`;
}

/** A hole may take a screw so much longer than the one that came out of it: rulers are read to half a millimetre. */
export const LENGTH_TOLERANCE_MM = 0.5;
/** A screw this much shorter than its hole's own hardly holds. */
const TOO_SHORT_SHARE = 0.6;

/**
 * Where a lot came out: how deep a screw may go there. Unless measured, no deeper than the one that was in it.
 *
 * @example holeDepth({ lengthMm: 12 }, null) // 12
 */
export const holeDepth = (lot: Lot, measuredMm: number | null): number => measuredMm ?? lot.lengthMm;

/**
 * The length guard: whether a screw may go into a hole.
 *
 * @param lengthMm screw in hand
 * @param deepestMm deepest that the hole allows, from `holeDepth`
 * @returns `null` where it may, else what is wrong in words
 */
export function lengthGuard(lengthMm: number, deepestMm: number): string | null {
  if (lengthMm > deepestMm + LENGTH_TOLERANCE_MM)
    return `${mm(lengthMm)} is too long for this hole: at most ${mm(deepestMm)}. It would punch through the shell. Look for the shorter lot in the tray.`;
  if (lengthMm < TOO_SHORT_SHARE * deepestMm)
    return `${mm(lengthMm)} is short for this hole of ${mm(deepestMm)} and would hardly hold. Look for the longer lot in the tray.`;
  return null;
}

/** What has happened to a lot since it came off. */
export interface LotState {
  lot: Lot;
  /** Put back so far, others put in its place included. */
  returned: number;
  /** Explained: lost and left out, with words. */
  missing: number;
}

/** Fasteners that are neither back nor explained. */
export const outstanding = ({ lot, returned, missing }: LotState): number => lot.count - returned - missing;

/**
 * Puts fasteners of a lot back.
 *
 * @param count how many go in now
 * @param lengthMm length of the screw in hand, where another than the lot's own is used
 * @throws Refusal when more go back than came off, or when the guard forbids the length
 */
export function returnToHole(state: LotState, count: number, lengthMm: number, deepestMm: number): LotState {
  if (!Number.isInteger(count) || count < 1) throw new Refusal('count', 'Give how many went in, at least 1.');
  const left = outstanding(state);
  if (left === 0)
    throw new Refusal(
      'count',
      `All ${state.lot.count} of this lot are back or explained already. Nothing was counted twice.`,
    );
  if (count > left)
    throw new Refusal(
      'count',
      `Only ${left} of this lot are still out, not ${count}. If one is over, it belongs to another hole.`,
    );
  const guard = state.lot.thing === 'screw' ? lengthGuard(lengthMm, deepestMm) : null;
  if (guard) throw new Refusal('lengthMm', guard);
  return { ...state, returned: state.returned + count };
}

/** Explains fasteners that will not come back. @throws Refusal when more are missing than are out */
export function explainMissing(state: LotState, count: number): LotState {
  const left = outstanding(state);
  if (!Number.isInteger(count) || count < 1) throw new Refusal('count', 'Give how many are missing, at least 1.');
  if (count > left) throw new Refusal('count', `Only ${left} of this lot are still out, not ${count}.`);
  return { ...state, missing: state.missing + count };
}
