import type { Part } from './part';
import { countInversions } from './order';

/** Runs of steps longer than this are not moved as one. */
const LONGEST_RUN = 8;
/** Comparisons before a large teardown gets what has been found so far. */
const MOST_WORK = 800_000;

/** Plain reverse, but what a step waits for goes in just before it. */
function earlyOrder({ size, before }: Part): number[] {
  const order: number[] = [];
  const placed = new Set<number>();
  const place = (step: number): void => {
    if (placed.has(step)) return;
    placed.add(step);
    for (const earlier of [...before[step]!].sort((a, b) => a - b)) place(earlier);
    order.push(step);
  };
  for (let step = 0; step < size; step++) place(step);
  return order;
}

/** Plain reverse, but a step that has to wait goes in as soon as it can. */
function lateOrder({ size, before, after }: Part): number[] {
  const waitsFor = before.map((list) => list.length);
  const ready = new Set(waitsFor.flatMap((count, step) => (count === 0 ? [step] : [])));
  const order: number[] = [];
  while (order.length < size) {
    const step = Math.min(...ready);
    ready.delete(step);
    order.push(step);
    for (const next of after[step]!) if (--waitsFor[next]! === 0) ready.add(next);
  }
  return order;
}

/** Moves the run at `at` so that it starts at `target` of what is then the order. */
function moveRun(order: Int32Array, at: number, length: number, target: number): void {
  const run = order.slice(at, at + length);
  if (target < at) order.copyWithin(target + length, target, at);
  else order.copyWithin(at, at + length, target + length);
  order.set(run, target);
}

/** Moves runs of steps to where they bring fewer inversions, until none helps or the work is used up. */
function improve(given: readonly number[], { size, before, after }: Part): number[] {
  const order = Int32Array.from(given);
  const position = new Int32Array(size);
  order.forEach((step, at) => (position[step] = at));
  let work = 0;
  for (let better = true; better;) {
    better = false;
    for (let length = 1; length <= Math.min(LONGEST_RUN, size - 1); length++)
      for (let at = 0; at + length <= size; at++) {
        if (work > MOST_WORK) return [...order];
        // How far the run can go: up to what it waits for, down to what waits for it.
        let [first, last] = [0, size - 1];
        for (let i = at; i < at + length; i++) {
          for (const other of before[order[i]!]!)
            if (position[other]! < at) first = Math.max(first, position[other]! + 1);
          for (const other of after[order[i]!]!)
            if (position[other]! >= at + length) last = Math.min(last, position[other]! - 1);
        }
        let [best, target] = [0, at];
        let gain = 0;
        for (let to = at + length; to <= last; to++) {
          for (let i = at; i < at + length; i++) gain += order[i]! > order[to]! ? 1 : -1;
          if (gain > best) [best, target] = [gain, to - length + 1];
        }
        gain = 0;
        for (let to = at - 1; to >= first; to--) {
          for (let i = at; i < at + length; i++) gain += order[i]! < order[to]! ? 1 : -1;
          if (gain > best) [best, target] = [gain, to];
        }
        work += (last - first + 1) * length;
        if (best === 0) continue;
        moveRun(order, at, length, target);
        for (let i = Math.min(at, target); i < Math.max(at, target) + length; i++) position[order[i]!] = i;
        better = true;
      }
  }
  return [...order];
}

/** A good order without a proof: the better of both plain ways, improved. Of equals, the one that goes in early. */
export function nearOrder(part: Part): { order: number[]; inversions: number } {
  const tries = [earlyOrder(part), lateOrder(part)].map((order) => {
    const improved = improve(order, part);
    return { order: improved, inversions: countInversions(improved) };
  });
  return tries[1]!.inversions < tries[0]!.inversions ? tries[1]! : tries[0]!;
}
