import { median } from '../numbers';
import { inRows, type BoardKey } from './layout';

/** How a cap is found when it comes off. */
export const CAP_STATES = ['good', 'worn legend', 'cracked stem', 'stub in the cap', 'missing'] as const;
export type CapState = (typeof CAP_STATES)[number];

/** Where the stem of a wide cap stands: above it, and nowhere else, it is pulled. */
export const STEM_PLACES = ['left', 'middle', 'right'] as const;
export type StemPlace = (typeof STEM_PLACES)[number];
/** Where that is along the key, as it is drawn. */
export const STEM_AT: Record<StemPlace, number> = { left: 0.25, middle: 0.5, right: 0.75 };

type Placed = Pick<BoardKey, 'id' | 'x' | 'y' | 'w' | 'h'>;

/** A cap wider than most by this much hangs on more than its stem. */
const WIDE = 1.6;

/** Caps that are wide for their board: their stem is seldom in the middle, and a wire may steady them. */
export function wideKeys<T extends Placed>(keys: readonly T[]): T[] {
  const usual = median(keys.map(({ w }) => w));
  return usual === undefined ? [] : keys.filter(({ w, h }) => w > WIDE * usual && w > h);
}

/** Names that are one another’s look-alikes on caps of one size. */
const ALIKE: readonly (readonly string[])[] = [
  ['up', 'down', 'left', 'right'],
  ['↑', '↓', '←', '→'],
  ['o', '0'],
  ['i', 'l', '1'],
  ['6', '9'],
  ['n', 'u', 'z'],
  ['m', 'w'],
  ['b', 'd', 'p', 'q'],
  ['+', '×', '*'],
  ['-', '_', '='],
];

/** A name without the side that its key stands on: left and right shift are one cap to the eye. */
const sideless = (name: string) =>
  name
    .toLowerCase()
    .replace(/(^|\s)(left|right|l|r)(?=\s|$)/g, ' ')
    .trim();

/** Sizes nearer than this are one size, mm. */
const SAME_MM = 0.8;

/**
 * Groups of caps that are easily put in one another’s place: of one size, with legends that look alike or differ by the
 * side alone.
 */
export function lookAlikes(keys: readonly Placed[]): string[][] {
  const groupOf = ({ id }: Placed): string => {
    const name = id.toLowerCase();
    const set = ALIKE.findIndex((names) => names.includes(name));
    if (set >= 0) return `set ${set}`;
    const bare = sideless(name);
    return bare !== '' && bare !== name ? `side ${bare}` : `own ${name}`;
  };
  const groups: { of: string; keys: Placed[] }[] = [];
  for (const key of keys) {
    const of = groupOf(key);
    const group = groups.find(
      (one) =>
        one.of === of &&
        // Arrows and sides are looked for by name; a digit is taken for a letter on a cap of the same size only.
        Math.abs(one.keys[0]!.w - key.w) < (of.startsWith('side') ? Infinity : SAME_MM) &&
        Math.abs(one.keys[0]!.h - key.h) < SAME_MM,
    );
    if (group) group.keys.push(key);
    else groups.push({ of, keys: [key] });
  }
  return groups.filter((group) => group.keys.length > 1).map((group) => group.keys.map(({ id }) => id));
}

/** One turn of the way back: caps that go on together, and what to mind. */
export interface BackStep {
  kind: 'wide' | 'look-alikes' | 'row';
  keys: string[];
}

/**
 * Caps on again: the wide ones first, then those that are easily taken for one another, one group after the other, then
 * row by row from above.
 *
 * @param off caps that are off and not lost
 */
export function wayBack(keys: readonly BoardKey[], off: readonly string[]): BackStep[] {
  const lying = keys.filter(({ id }) => off.includes(id));
  const wide = wideKeys(keys).filter(({ id }) => off.includes(id));
  const taken = new Set(wide.map(({ id }) => id));
  const alike = lookAlikes(keys)
    .map((group) => group.filter((id) => off.includes(id) && !taken.has(id)))
    .filter((group) => group.length > 0);
  alike.flat().forEach((id) => taken.add(id));
  const rows = inRows(lying.filter(({ id }) => !taken.has(id)));
  return [
    ...wide.map(({ id }): BackStep => ({ kind: 'wide', keys: [id] })),
    ...alike.map((group): BackStep => ({ kind: 'look-alikes', keys: group })),
    ...rows.map((row): BackStep => ({ kind: 'row', keys: row.map(({ id }) => id) })),
  ];
}

/** A kind of part that comes off in numbers: how many came out, and what became of them. */
export interface LooseCount {
  part: string;
  came: number;
  cleaned: number;
  back: number;
  lost: number;
  /** From a donor, in the place of lost ones. */
  donor: number;
}

/** How many parts of a kind are still lying about: out, and neither back nor lost; a donor’s has to go in as well. */
export const lying = ({ came, back, lost, donor }: LooseCount): number => came + donor - lost - back;

/** What is wrong with a count; `null` where it can be. */
export function countFault({ part, came, cleaned, back, lost, donor }: LooseCount): string | null {
  if (cleaned > came)
    return `Only ${came} of ${part} came out, so ${cleaned} cannot be clean. Put one of the two right.`;
  if (lost > came) return `Only ${came} of ${part} came out, so ${lost} cannot be lost. Put one of the two right.`;
  if (back > came - lost + donor)
    return `${back} of ${part} cannot be back: ${came} came out, ${lost} are lost and ${donor} are from a donor. Count again.`;
  return null;
}
