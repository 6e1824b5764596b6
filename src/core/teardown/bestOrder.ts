import { addBit, hasBit, holdsAll, noBits, type Bits } from './bits';
import { InversionBound } from './bound';
import { nearOrder } from './nearOrder';
import type { Part } from './part';

export interface PartOrder {
  order: number[];
  inversions: number;
  /** No order can have fewer; equal to `inversions` where the order is proven best. */
  lowerBound: number;
  /** Words that the search looked at, about. */
  work: number;
}

/** A set of placed steps with the cheapest way that led to it. */
interface State {
  placed: Bits;
  cost: number;
  /** Cost so far and what is still to come at least. */
  total: number;
  last: number;
  from: State | null;
}

/** States waiting to be opened, by their total: totals are small whole numbers, so a list for each will do. */
class Queue {
  private readonly lists: State[][] = [];
  private lowest = 0;

  push(state: State): void {
    (this.lists[state.total] ??= []).push(state);
    this.lowest = Math.min(this.lowest, state.total);
  }

  pop(): State | undefined {
    while (this.lowest < this.lists.length) {
      const state = this.lists[this.lowest]?.pop();
      if (state) return state;
      this.lowest++;
    }
    return undefined;
  }
}

function wayTo(state: State): number[] {
  const order: number[] = [];
  for (let s: State | null = state; s && s.last >= 0; s = s.from) order.push(s.last);
  return order.reverse();
}

/**
 * Steps worth placing next. Let `u` be the lowest step that can go on. Only two things can be best: `u`, or a
 * step that one of the lower, blocked ones waits for.
 *
 * Proof. Take a best order and look at what it places before `u`: lower steps, their helpers, and others. As
 * no move of `u` forward gains, in every run that ends before `u` the lower steps are at least as many as the
 * rest. Move the others behind `u`: each loses its inversion with `u`, and against what stood after it it loses
 * at least as many (the lower ones) as it gains (the helpers). That is fewer in all, so there are no others.
 */
function candidates({ size, allBefore }: Part, placed: Bits): number[] {
  const wanted = noBits(size);
  for (let step = 0; step < size; step++) {
    if (hasBit(placed, step)) continue;
    if (!holdsAll(placed, allBefore[step]!)) {
      for (let w = 0; w < wanted.length; w++) wanted[w]! |= allBefore[step]![w]! & ~placed[w]!;
      continue;
    }
    const found = [step];
    for (let s = step + 1; s < size; s++) if (hasBit(wanted, s) && holdsAll(placed, allBefore[s]!)) found.push(s);
    return found;
  }
  return [];
}

function unplacedBelow(placed: Bits, step: number): number {
  let count = 0;
  for (let s = 0; s < step; s++) if (!hasBit(placed, s)) count++;
  return count;
}

/**
 * The order of a part with the fewest inversions, by best-first search over the sets of placed steps.
 *
 * @param mostWork words looked at before the search gives up and answers with the best order and bound so far
 */
export function bestOrder(part: Part, mostWork: number): PartOrder {
  const near = nearOrder(part);
  const bound = new InversionBound(part);
  const start = noBits(part.size);
  const least = bound.atLeast(start);
  if (near.inversions <= least) return { ...near, lowerBound: near.inversions, work: 0 };
  const cheapest = new Map<string, number>();
  const queue = new Queue();
  queue.push({ placed: start, cost: 0, total: least, last: -1, from: null });
  let proven = least;
  let work = bound.effort;
  while (work < mostWork) {
    const state = queue.pop();
    // Nothing waits below what is known already: that is the best there is.
    if (!state || state.total >= near.inversions) return { ...near, lowerBound: near.inversions, work };
    proven = Math.max(proven, state.total);
    if (state.cost > (cheapest.get(state.placed.join()) ?? Infinity)) continue;
    const next = candidates(part, state.placed);
    if (next.length === 0) return { order: wayTo(state), inversions: state.cost, lowerBound: state.cost, work };
    for (const step of next) {
      const cost = state.cost + unplacedBelow(state.placed, step);
      const placed = state.placed.slice();
      addBit(placed, step);
      const key = placed.join();
      if (cost >= (cheapest.get(key) ?? Infinity)) continue;
      cheapest.set(key, cost);
      // A child is never nearer to the end than its parent was proven to be.
      const total = Math.max(state.total, cost + bound.atLeast(placed));
      work += bound.effort;
      if (total < near.inversions) queue.push({ placed, cost, total, last: step, from: state });
    }
  }
  return { ...near, lowerBound: proven, work };
}
