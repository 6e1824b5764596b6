import { addBit, addBits, noBits, type Bits } from './bits';
import type { Numbered } from './order';

/**
 * A run of neighbouring steps that no contradicting block leaves or enters. Parts are solved one by one: an
 * order of the whole, cut to each part and put end to end, has no more inversions than before and breaks no block.
 */
export interface Part {
  /** Number of its first step in the whole. */
  from: number;
  size: number;
  /** For each step, counted from the part's start: what must directly be on before it, and what waits for it. */
  before: number[][];
  after: number[][];
  /** All that must be on before each step, directly or not. */
  allBefore: Bits[];
  /** Those of `allBefore` that the plain reverse would put on later. */
  early: Bits[];
  /** Direct blocks that contradict the plain reverse. */
  contradicting: number;
}

function partOf({ before, after }: Numbered, from: number, to: number): Part {
  const size = to - from;
  const inside = (lists: number[][]) =>
    lists.slice(from, to).map((list) => list.filter((s) => s >= from && s < to).map((s) => s - from));
  const part: Part = {
    from,
    size,
    before: inside(before),
    after: inside(after),
    allBefore: Array.from({ length: size }, () => noBits(size)),
    early: [],
    contradicting: 0,
  };
  const waitsFor = part.before.map((list) => list.length);
  const ready = waitsFor.flatMap((count, step) => (count === 0 ? [step] : []));
  for (const step of ready)
    for (const next of part.after[step]!) {
      addBits(part.allBefore[next]!, part.allBefore[step]!);
      addBit(part.allBefore[next]!, step);
      if (--waitsFor[next]! === 0) ready.push(next);
    }
  part.early = part.allBefore.map((bits, step) => {
    const early = bits.slice();
    for (let w = 0; w <= step >>> 5; w++) early[w]! &= w < step >>> 5 ? 0 : ~((2 << (step & 31)) - 1);
    return early;
  });
  part.contradicting = part.before.reduce((sum, list, step) => sum + list.filter((s) => s > step).length, 0);
  return part;
}

/** Cuts the steps wherever no block wants a later one before an earlier one across the cut. */
export function partsOf(numbered: Numbered): Part[] {
  const parts: Part[] = [];
  let from = 0;
  let reach = 0;
  numbered.before.forEach((list, step) => {
    reach = Math.max(reach, step, ...list);
    if (reach > step) return;
    parts.push(partOf(numbered, from, step + 1));
    from = step + 1;
  });
  return parts;
}
