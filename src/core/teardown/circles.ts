import type { Numbered } from './order';

/** More circles than anybody would read; where this many are found, cutting the smallest comes first. */
export const MOST_CIRCLES = 50;
/** Steps of the search before it stops looking for longer circles. */
const MOST_VISITS = 200_000;

/** Shortest way from every step back to `root` along steps not below it, by breadth-first search. */
function distancesTo(root: number, { before }: Numbered): Float64Array {
  const distance = new Float64Array(before.length).fill(Infinity);
  distance[root] = 0;
  const queue = [root];
  for (const step of queue)
    for (const earlier of before[step]!)
      if (earlier >= root && distance[earlier] === Infinity) {
        distance[earlier] = distance[step]! + 1;
        queue.push(earlier);
      }
  return distance;
}

/** Steps that take part in any circle: what is left after taking away all that can go on. */
function tangled(numbered: Numbered): Set<number> {
  const left = new Set(numbered.before.keys());
  let shrinking = true;
  while (shrinking) {
    shrinking = false;
    for (const step of left)
      if (!numbered.before[step]!.some((s) => left.has(s)) || !numbered.after[step]!.some((s) => left.has(s))) {
        left.delete(step);
        shrinking = true;
      }
  }
  return left;
}

/**
 * Every elementary circle of blocks, smallest first, each from its first step in the plain reverse.
 * Each circle is found from its lowest step; a way is followed only while it can still close in time.
 *
 * @returns circles as numbers, each in the order "goes on before"
 */
export function findCircles(numbered: Numbered): number[][] {
  const inside = [...tangled(numbered)].sort((a, b) => a - b);
  if (inside.length === 0) return [];
  const distances = new Map(inside.map((root) => [root, distancesTo(root, numbered)]));
  const circles: number[][] = [];
  let visits = 0;
  for (let length = 2; length <= inside.length && circles.length < MOST_CIRCLES; length++) {
    for (const root of inside) {
      const distance = distances.get(root)!;
      const way = [root];
      const on = new Set(way);
      const walk = (): void => {
        if (circles.length >= MOST_CIRCLES || (visits++ > MOST_VISITS && circles.length > 0)) return;
        const last = way[way.length - 1]!;
        for (const next of numbered.after[last]!) {
          if (next === root && way.length === length) circles.push([...way]);
          // As many blocks are left as the circle is long, less those walked.
          if (next <= root || on.has(next) || distance[next]! > length - way.length || way.length >= length) continue;
          way.push(next);
          on.add(next);
          walk();
          way.pop();
          on.delete(next);
        }
      };
      walk();
    }
  }
  return circles;
}
