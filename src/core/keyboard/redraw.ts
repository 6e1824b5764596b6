import { median } from '../numbers';
import { Refusal } from '../refusal';
import type { BoardKey } from './layout';

function keyNamed(keys: readonly BoardKey[], id: string): BoardKey {
  const key = keys.find((one) => one.id === id);
  if (!key) throw new Refusal('key', `The key “${id}” is not on the board any more. Load the page again.`);
  return key;
}

/** A length as it is kept, mm. */
const tenths = (mm: number) => Math.round(10 * mm) / 10;

/**
 * A key that is two: halves across its longer side. The left or upper one keeps the name and its lines.
 *
 * @param second name of the other half, which is on no line yet
 */
export function splitKey(keys: readonly BoardKey[], id: string, second: string): BoardKey[] {
  const { x, y, w, h, ...rest } = keyNamed(keys, id);
  const wide = w >= h;
  const half = tenths((wide ? w : h) / 2);
  const first: BoardKey = { ...rest, x, y, w: wide ? half : w, h: wide ? h : half };
  const other: BoardKey = {
    ...{ id: second, row: null, column: null },
    ...{ x: tenths(wide ? x + half : x), y: tenths(wide ? y : y + half) },
    ...{ w: tenths(wide ? w - half : w), h: tenths(wide ? h : h - half) },
  };
  return keys.flatMap((key) => (key.id === id ? [first, other] : [key]));
}

/** Keys that are one: what reaches round all of them, under the name and on the lines of the first. */
export function joinKeys(keys: readonly BoardKey[], ids: readonly string[]): BoardKey[] {
  const parts = ids.map((id) => keyNamed(keys, id));
  if (parts.length < 2) throw new Refusal('keys', 'Choose the two keys, or more, that are one.');
  const x = Math.min(...parts.map((part) => part.x));
  const y = Math.min(...parts.map((part) => part.y));
  const joined: BoardKey = {
    ...parts[0]!,
    ...{ x, y },
    w: tenths(Math.max(...parts.map((part) => part.x + part.w)) - x),
    h: tenths(Math.max(...parts.map((part) => part.y + part.h)) - y),
  };
  return keys.flatMap((key) => (key.id === joined.id ? [joined] : ids.includes(key.id) ? [] : [key]));
}

/** Keys that stand in one row: all at the middle height of theirs, and as high as most of them. */
export function alignRow(keys: readonly BoardKey[], ids: readonly string[]): BoardKey[] {
  const row = ids.map((id) => keyNamed(keys, id));
  if (row.length < 2) throw new Refusal('keys', 'Choose the two keys, or more, that are one row.');
  const middle = median(row.map(({ y, h }) => y + h / 2))!;
  const h = tenths(median(row.map((key) => key.h))!);
  const y = tenths(Math.max(0, middle - h / 2));
  return keys.map((key) => (ids.includes(key.id) ? { ...key, y, h } : key));
}
