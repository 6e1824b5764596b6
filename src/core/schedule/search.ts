import { tails } from './bound';
import { NoPlace } from './noPlace';
import { NEVER, type Compiled } from './problem';
import { Serial } from './serial';

export interface SearchLimits {
  /** It stops after so many ms, by the clock that it is given. */
  timeLimitMs: number;
  /** The same seed gives the same plan after the same number of steps. */
  seed: number;
  /** After so many steps it stops, whatever the time. */
  maxIterations?: number | undefined;
  /** Milliseconds from anywhere. */
  clock: () => number;
  /** Asked now and then: where it says so, the best so far is given. */
  stopped?: (() => boolean) | undefined;
}

/** A plan by numbers, with the order that it was laid in. */
export interface Found {
  starts: Int32Array;
  chosen: Int32Array;
  order: readonly number[];
  cost: number;
  iterations: number;
}

/** A generator of numbers by a seed (mulberry32). */
export function generator(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Tasks by a priority, each after all that it waits for: of those that may be next the greatest first. */
export function byPriority({ before, behind, ids }: Compiled, priority: readonly number[]): number[] {
  const waits = before.map((lags) => new Set(lags.map(({ task }) => task)).size);
  const ready = ids.flatMap((_, i) => (waits[i] === 0 ? [i] : []));
  const order: number[] = [];
  while (ready.length > 0) {
    let best = 0;
    for (let i = 1; i < ready.length; i++) if (priority[ready[i]!]! > priority[ready[best]!]!) best = i;
    const [task] = ready.splice(best, 1) as [number];
    order.push(task);
    for (const later of new Set(behind[task]!.map((lag) => lag.task))) if (--waits[later]! === 0) ready.push(later);
  }
  return order;
}

/** Each as early as it can be: what this order finds a moment for, the search finds one for. */
export const soonestFirst = (head: readonly number[]): number[] => head.map((from) => -from);

/** Rules by which a first order is made; each is good where others are not. */
function rules(problem: Compiled, head: readonly number[], tail: readonly number[]): number[][] {
  const { durations, needs, capacities, behind, starts } = problem;
  const work = needs.map((own, i) =>
    own.reduce((sum, { resource, units }) => sum + (units / capacities[resource]!) * durations[i]!, 0),
  );
  const latest = starts.map((own) => own.at(-1)![1]);
  return [
    soonestFirst(head),
    tail.map((t, i) => t + durations[i]!),
    head.map((h, i) => -h - 1e-6 * (tail[i]! + durations[i]!)),
    tail.map((t, i) => t + durations[i]! + 4 * work[i]!),
    latest.map((l) => -l),
    behind.map((lags, i) => lags.length * 1e4 + tail[i]!),
    head.map((h, i) => -(h - tail[i]!)),
  ];
}

/** How warm the search begins, as a share of the end of all, and how cold it ends. */
const WARM = 0.02;
const COLD = 0.0004;
/** After so many steps without a better plan it begins anew from the best. */
const PATIENCE = 600;
/** Steps over which the search cools down once. */
const COOLING = 4000;

/**
 * Serial generation by priority rules, improved by moving tasks in their order (simulated annealing).
 *
 * @param head the earliest that each task can begin
 * @param cost what a plan costs, in minutes; it must not keep the starts
 * @param size about what is to be gained, minutes: the search begins as warm as a share of it
 * @param enough a cost that no plan is under
 * @param first a priority to begin with, beside those of the rules: the greatest first
 * @throws NoPlace naming a task that finds no moment beside the others
 */
export function search(
  problem: Compiled,
  head: readonly number[],
  {
    cost,
    size,
    enough,
    first,
    atOnce = false,
  }: {
    cost: (starts: Int32Array, chosen: Int32Array) => number;
    size: (cost: number) => number;
    enough: (starts: Int32Array) => boolean;
    first?: readonly number[] | undefined;
    /** Where no rule finds a plan, that is said at once instead of searched for. */
    atOnce?: boolean;
  },
  { clock, seed, timeLimitMs, maxIterations, stopped }: SearchLimits,
): Found {
  const began = clock();
  const { ids } = problem;
  const serial = new Serial(problem, head);
  const random = generator(seed);
  const best: { starts: Int32Array | null; chosen: Int32Array; cost: number; order: number[] } = {
    ...{ starts: null, chosen: new Int32Array(0), cost: Infinity, order: [] },
  };
  let failed = 0;
  const trial = (order: readonly number[]): number => {
    const placed = serial.place(together(order, problem));
    if (!placed.ok) {
      failed = placed.task;
      return Infinity;
    }
    const here = cost(placed.starts, placed.chosen);
    if (here < best.cost) {
      best.starts = Int32Array.from(placed.starts);
      best.chosen = Int32Array.from(placed.chosen);
      [best.cost, best.order] = [here, [...order]];
    }
    return here;
  };
  if (first) trial(byPriority(problem, first));
  const tail = tails(problem);
  for (const priority of rules(problem, head, tail)) trial(byPriority(problem, priority));
  if (!best.starts && atOnce) throw new NoPlace(ids[failed]!, { kind: 'taken' });
  let iterations = 0;
  let order = best.order.length > 0 ? [...best.order] : byPriority(problem, tail);
  let here = best.cost;
  let since = 0;
  const warm = size(best.cost);
  const over = () =>
    (maxIterations !== undefined ? iterations >= maxIterations : clock() - began >= timeLimitMs) ||
    (stopped?.() ?? false);
  while (ids.length > 1 && !over()) {
    if (best.starts && enough(best.starts)) break;
    iterations++;
    const moved = moveOne(order, problem, random);
    const next = trial(moved);
    const phase = (iterations % COOLING) / COOLING;
    const heat = warm * WARM * (COLD / WARM) ** phase;
    if (next <= here || random() < Math.exp((here - next) / heat)) [order, here] = [moved, next];
    since = next === best.cost ? 0 : since + 1;
    if (since > PATIENCE && best.order.length > 0) [order, here, since] = [[...best.order], best.cost, 0];
  }
  if (!best.starts) throw new NoPlace(ids[failed]!, { kind: 'taken' });
  return {
    starts: best.starts,
    chosen: best.chosen,
    order: together(best.order, problem),
    cost: best.cost,
    iterations,
  };
}

/** An order in which what may not wait long comes at once after what it follows: laid later, its moment would be taken. */
export function together(order: readonly number[], { before, behind }: Compiled): number[] {
  const waits = before.map((lags) => new Set(lags.map(({ task }) => task)).size);
  const laid = new Uint8Array(order.length);
  const all: number[] = [];
  const lay = (task: number): void => {
    laid[task] = 1;
    all.push(task);
    const next = [...new Set(behind[task]!.map((lag) => lag.task))].filter(
      (later) => --waits[later]! === 0 && behind[task]!.some((lag) => lag.task === later && lag.maxLag < NEVER),
    );
    for (const later of next) if (!laid[later]) lay(later);
  };
  for (const task of order) if (!laid[task]) lay(task);
  return all;
}

/** An order with one task moved to another place between all that it waits for and all that wait for it. */
function moveOne(order: readonly number[], { before, behind }: Compiled, random: () => number): number[] {
  const n = order.length;
  const at = Math.floor(random() * n);
  const task = order[at]!;
  const waits = new Set(before[task]!.map((lag) => lag.task));
  const later = new Set(behind[task]!.map((lag) => lag.task));
  let [low, high] = [at, at];
  while (low > 0 && !waits.has(order[low - 1]!)) low--;
  while (high < n - 1 && !later.has(order[high + 1]!)) high++;
  // Mostly near, at times anywhere.
  const reach = random() < 0.7 ? Math.max(1, Math.floor(n / 8)) : n;
  [low, high] = [Math.max(low, at - reach), Math.min(high, at + reach)];
  if (high === low) return [...order];
  let to = low + Math.floor(random() * (high - low));
  if (to >= at) to++;
  const moved = order.filter((one) => one !== task);
  moved.splice(to, 0, task);
  return moved;
}
