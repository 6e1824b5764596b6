import { heads, lowerBound } from './bound';
import { compile } from './compile';
import type { Problem } from './problem';
import { search, type SearchLimits } from './search';

export interface Plan {
  tasks: { id: string; start: number; end: number }[];
  makespan: number;
  /** No plan ends before. */
  lowerBound: number;
  /** The end is proven to be the least. */
  optimal: boolean;
  elapsedMs: number;
  iterations: number;
}

/**
 * Lays tasks into the hours of what they need: serial generation by priority rules, improved by moving tasks in their order
 * (simulated annealing), with a bound that no plan is under.
 *
 * @throws Refusal naming the tasks that clash
 * @example
 * schedule({ resources: [{ id: 'hands', capacity: 1 }], tasks: [{ id: 'wash', duration: 15, uses: { hands: 1 }, after: [] }] }, { timeLimitMs: 10, seed: 1, clock: () => 0, maxIterations: 1 }).makespan; // 15
 */
export function schedule(given: Problem, limits: SearchLimits): Plan {
  const { clock } = limits;
  const began = clock();
  const problem = compile(given);
  const head = heads(problem);
  const there = given.resources.map(({ available }) => (available ? [...available].sort(([a], [b]) => a - b) : null));
  const bound = lowerBound(problem, there, head);
  const { ids, durations } = problem;
  const end = (starts: Int32Array) => {
    let most = 0;
    for (let i = 0; i < ids.length; i++) most = Math.max(most, starts[i]! + durations[i]!);
    return most;
  };
  const total = (starts: Int32Array) => {
    let sum = 0;
    for (let i = 0; i < ids.length; i++) sum += starts[i]! + durations[i]!;
    return sum;
  };
  // Counted from the first moment at which anything can begin, so that a plan moves with its times.
  const origin = head.reduce((least, one) => Math.min(least, one), bound);
  const scale = Math.max(1, bound - origin) * Math.max(1, ids.length);
  // Of plans that end together the one whose tasks begin earlier.
  const cost = (starts: Int32Array) => end(starts) + (total(starts) - ids.length * origin) / (16 * scale);
  const { starts: found, iterations } = search(
    problem,
    head,
    {
      cost,
      size: (first) => Math.max(1, (Number.isFinite(first) ? first : bound) - origin),
      enough: (starts) => end(starts) <= bound,
    },
    limits,
  );
  const makespan = end(found);
  return {
    tasks: ids.map((id, i) => ({ id, start: found[i]!, end: found[i]! + durations[i]! })),
    ...{ makespan, lowerBound: bound, optimal: makespan <= bound, elapsedMs: clock() - began, iterations },
  };
}
