import { Refusal } from '../refusal';
import { NoPlace } from './noPlace';
import { NEVER, type Compiled, type Interval } from './problem';

/** The first moment from one on at which a task may begin; `NEVER` where there is none. */
export function firstStart(starts: readonly Interval[], from: number): number {
  let [low, high] = [0, starts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (starts[middle]![1] < from) low = middle + 1;
    else high = middle;
  }
  return low === starts.length ? NEVER : Math.max(from, starts[low]![0]);
}

/** So often lags are followed back and forth; each time something has moved. */
const ROUNDS = 1000;

/**
 * The earliest that each task can begin, whatever the others take: its windows, its resources’ hours, and all lags, those
 * that hold it back as well as those that let a later one not wait.
 *
 * @throws Refusal naming the tasks that clash
 */
export function heads({ ids, topological, starts, before, behind, durations }: Compiled): number[] {
  const head = starts.map((own) => firstStart(own, 0));
  const clash = (task: number, other: number | null) =>
    new NoPlace(ids[task]!, other === null ? { kind: 'too late' } : { kind: 'clash', with: ids[other]! });
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    for (const task of topological) {
      let from = head[task]!;
      for (const { task: other, minLag } of before[task]!)
        from = Math.max(from, head[other]! + durations[other]! + minLag);
      const at = firstStart(starts[task]!, from);
      if (at >= NEVER) throw clash(task, before[task]![0]?.task ?? null);
      if (at !== head[task]) [moved, head[task]] = [true, at];
    }
    for (const task of [...topological].reverse())
      for (const { task: later, maxLag } of behind[task]!) {
        if (maxLag >= NEVER) continue;
        const from = head[later]! - maxLag - durations[task]!;
        if (from <= head[task]!) continue;
        const at = firstStart(starts[task]!, from);
        if (at >= NEVER) throw clash(task, later);
        [moved, head[task]] = [true, at];
      }
    if (!moved) return head;
  }
  throw new Refusal(
    'tasks',
    'Some tasks push one another on for ever: their least and greatest waits contradict each other. Widen a greatest wait.',
  );
}

/** The least time from the end of each task to the end of all. */
export function tails({ topological, behind, durations }: Compiled): number[] {
  const tail = durations.map(() => 0);
  for (const task of [...topological].reverse())
    for (const { task: later, minLag } of behind[task]!)
      tail[task] = Math.max(tail[task]!, minLag + durations[later]! + tail[later]!);
  return tail;
}

/**
 * A time before which no plan ends: the longest way, and for each resource the work of all tasks that cannot begin before
 * a moment, at its full capacity, and the shortest way from there.
 *
 * @param there when each resource is there; `null` for always
 */
export function lowerBound(
  problem: Compiled,
  there: readonly (readonly Interval[] | null)[],
  head: readonly number[] = heads(problem),
): number {
  const { durations, capacities, needs } = problem;
  const tail = tails(problem);
  let bound = head.reduce((most, from, i) => Math.max(most, from + durations[i]! + tail[i]!), 0);
  for (const [resource, capacity] of capacities.entries()) {
    const users = needs
      .flatMap((own, task) => own.filter((need) => need.resource === resource).map(({ units }) => ({ task, units })))
      .sort((a, b) => head[b.task]! - head[a.task]!);
    let [work, least] = [0, NEVER];
    for (const [i, { task, units }] of users.entries()) {
      work += units * durations[task]!;
      least = Math.min(least, tail[task]!);
      if (i + 1 < users.length && head[users[i + 1]!.task] === head[task]) continue;
      bound = Math.max(bound, whenDone(work / capacity, head[task]!, there[resource] ?? null) + least);
    }
  }
  return bound;
}

/** When so many minutes of a resource are over from a moment on, at its full capacity; whole minutes. */
function whenDone(minutes: number, from: number, there: readonly Interval[] | null): number {
  if (!there) return Math.ceil(from + minutes - 1e-9);
  let left = minutes;
  for (const [a, b] of there) {
    const begin = Math.max(a, from);
    if (b <= begin) continue;
    if (left <= b - begin) return Math.ceil(begin + left - 1e-9);
    left -= b - begin;
  }
  return from;
}
