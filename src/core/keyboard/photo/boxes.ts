import type { Field } from './field';

/** A box on the field, in cells: its left and upper edge, and those behind its last cell. */
export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** A box that stands out of its surroundings, and at how many levels it does. */
export interface Candidate extends Box {
  levels: number;
}

export const areaOf = ({ left, top, right, bottom }: Box): number => (right - left) * (bottom - top);

export const middleX = ({ left, right }: Box) => (left + right) / 2;
export const middleY = ({ top, bottom }: Box) => (top + bottom) / 2;
export const widthOf = ({ left, right }: Box) => right - left;
export const heightOf = ({ top, bottom }: Box) => bottom - top;

/** Cells that two boxes share. */
export function sharedOf(a: Box, b: Box): number {
  const w = Math.min(a.right, b.right) - Math.max(a.left, b.left);
  const h = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
  return w > 0 && h > 0 ? w * h : 0;
}

/** How much two boxes are one: what they share of what they cover together. */
export const overlapOf = (a: Box, b: Box): number => {
  const shared = sharedOf(a, b);
  return shared / (areaOf(a) + areaOf(b) - shared);
};

/** Sizes that a key may have, cells. */
export interface Sizes {
  least: number;
  highest: number;
  widest: number;
}

/** A key fills its box but for its round corners; print on it is a hole that its outline closes. */
const FILLED = 0.84;

/**
 * Boxes that hang together by themselves: cells for which `inside` holds, run by run, joined from row to row.
 *
 * @param inside 1 for the cells that count, row by row
 */
function boxesIn(inside: Uint8Array, columns: number, rows: number, sizes: Sizes): Box[] {
  const starts: number[] = [];
  const ends: number[] = [];
  const rowOf: number[] = [];
  const parent: number[] = [];
  const root = (i: number) => {
    let at = i;
    while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!;
    return at;
  };
  let [previous, current] = [0, 0];
  for (let row = 0; row < rows; row++) {
    const first = starts.length;
    for (let column = 0; column < columns; column++) {
      if (!inside[row * columns + column]) continue;
      const start = column;
      while (column < columns && inside[row * columns + column]) column++;
      starts.push(start);
      ends.push(column);
      rowOf.push(row);
      parent.push(parent.length);
    }
    // Runs of this row against those of the row above, both from the left.
    for (let i = first, j = previous; i < starts.length && j < current;) {
      if (ends[j]! > starts[i]! && ends[i]! > starts[j]!) parent[root(i)] = root(j);
      if (ends[j]! < ends[i]!) j++;
      else i++;
    }
    previous = first;
    current = starts.length;
  }
  interface Grown extends Box {
    filled: number;
    row: number;
    from: number;
    to: number;
  }
  const grown = new Map<number, Grown>();
  for (let i = 0; i < starts.length; i++) {
    const [id, row, from, to] = [root(i), rowOf[i]!, starts[i]!, ends[i]!];
    const box = grown.get(id);
    if (!box) {
      grown.set(id, { left: from, top: row, right: to, bottom: row + 1, filled: 0, row, from, to });
      continue;
    }
    if (box.row === row) box.to = to;
    else {
      box.filled += box.to - box.from;
      [box.row, box.from, box.to] = [row, from, to];
    }
    box.left = Math.min(box.left, from);
    box.right = Math.max(box.right, to);
    box.bottom = row + 1;
  }
  const found: Box[] = [];
  for (const box of grown.values()) {
    const { left, top, right, bottom } = box;
    const [w, h] = [right - left, bottom - top];
    if (w < sizes.least || h < sizes.least || h > sizes.highest || w > sizes.widest) continue;
    if (box.filled + box.to - box.from >= FILLED * w * h) found.push({ left, top, right, bottom });
  }
  return found;
}

/** Boxes nearer to one another than this are one box. */
const SAME = 0.82;

/** Adds boxes to those known: one that is known gains a level and takes the mean of its edges. */
function gather(known: Candidate[], boxes: readonly Box[]): void {
  for (const box of boxes) {
    const same = known.find((one) => Math.abs(one.left - box.left) < 40 && overlapOf(one, box) > SAME);
    if (!same) {
      known.push({ ...box, levels: 1 });
      continue;
    }
    const share = 1 / ++same.levels;
    for (const side of ['left', 'top', 'right', 'bottom'] as const) same[side] += share * (box[side] - same[side]);
  }
}

/** Steps of a map from its darkest to its lightest places, and as many again that part its cells evenly: what is most of it is seen finest. */
const LEVELS = 24;

/** Boxes that stand out of a map of single numbers, at any of its levels, lighter or darker than what is around. */
export function boxesOfMap(
  map: Float32Array,
  { columns, rows }: Pick<Field, 'columns' | 'rows'>,
  sizes: Sizes,
  sides: readonly ('lighter' | 'darker')[],
): Candidate[] {
  const some = Float32Array.from({ length: Math.ceil(map.length / 7) }, (_, i) => map[7 * i]!).sort();
  const at = (share: number) => some[Math.floor(share * (some.length - 1))]!;
  const [low, high] = [at(0.005), at(0.995)];
  const steps = Array.from({ length: LEVELS - 1 }, (_, i) => (i + 1) / LEVELS);
  const known: Candidate[] = [];
  const inside = new Uint8Array(map.length);
  for (const limit of [...steps.map((step) => low + (high - low) * step), ...steps.map(at)]) {
    for (const side of sides) {
      for (let i = 0; i < map.length; i++) inside[i] = (side === 'lighter' ? map[i]! > limit : map[i]! < limit) ? 1 : 0;
      gather(known, boxesIn(inside, columns, rows, sizes));
    }
  }
  return known;
}
