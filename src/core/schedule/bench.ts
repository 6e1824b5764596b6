import { assumed } from '../assumptions/assumptions';
import { heads, lowerBound } from './bound';
import { compile } from './compile';
import { NoPlace, type NoPlaceReason } from './noPlace';
import { NEVER, type Compiled, type Interval, type Problem, type Task } from './problem';
import { byPriority, search, soonestFirst, together, type SearchLimits } from './search';
import { Serial } from './serial';

/** A task of the bench: of which machine it is, and how sure its length is. */
export interface BenchTask extends Task {
  /** The restoration that it belongs to; `null` for what is of none. */
  machine: string | null;
  /** Standard deviation of the logarithm of its length. */
  spread: number;
  /** Chance that it has to be done once more. */
  again: number;
  /** Where it would lie best: elsewhere it lies in worse sun. */
  liked?: readonly Interval[] | undefined;
  /** It begins then, come what may, if that can be at all: somebody pinned it, or it is about to begin. */
  at?: number | undefined;
  /** What it keeps to besides where it does not begin at its moment: hands and hours that whoever set the moment did not need. */
  elsewhere?: Pick<BenchTask, 'windows' | 'liked' | 'anyOf'> | undefined;
}

/** A task that is not held at its moment. */
export const loose = <One extends BenchTask>(task: One): One => ({
  ...task,
  ...task.elsewhere,
  at: undefined,
  elsewhere: undefined,
});

export interface BenchProblem extends Problem {
  tasks: readonly BenchTask[];
  /** When a machine is wanted, minutes from the plan’s start, and how much that counts beside the others. */
  wishes: readonly { machine: string; dueMin: number; weight: number }[];
  /** When tasks began by the plan before, minutes from this one’s start. */
  before: Readonly<Record<string, number>>;
}

interface Laid {
  id: string;
  start: number;
  end: number;
  /** Of what it needed one, which it takes. */
  who: string | null;
}

/** Why a task is left out: it finds no moment itself, or one that it waits for, or one that it is only done for. */
type LeftOutReason = NoPlaceReason | { kind: 'waits'; for: string } | { kind: 'falls'; with: string };

export interface BenchPlan {
  tasks: Laid[];
  /** What found no moment, and what waits for it. */
  leftOut: { id: string; why: LeftOutReason }[];
  /** Pinned tasks that cannot be where they were pinned, and lie elsewhere. */
  unpinned: string[];
  /** When the last task of each machine ends. */
  ready: { machine: string; min: number; lateMin: number }[];
  /** The end of all, and an end that no plan of the same tasks is under. */
  makespan: number;
  lowerBound: number;
  /** Ids in the order that they were laid in. */
  order: string[];
  cost: number;
  iterations: number;
  elapsedMs: number;
}

/** A wanted date comes before all else: a minute late counts for so many of the end of all. */
const LATE = 100;
/** How much sooner each single machine counts, beside the end of all. */
const EACH = 0.1;

/** What a plan costs, in minutes of the end of all. */
function costOf(problem: BenchProblem, compiled: Compiled) {
  const { durations, choices } = compiled;
  const machines = [...new Set(problem.tasks.flatMap(({ machine }) => machine ?? []))];
  const machineAt = problem.tasks.map(({ machine }) => (machine === null ? -1 : machines.indexOf(machine)));
  const due = machines.map((machine) => problem.wishes.find((wish) => wish.machine === machine) ?? null);
  const liked = problem.tasks.map((task) => task.liked);
  const before = problem.tasks.map(({ id }) => problem.before[id]);
  const handed = problem.tasks.flatMap(({ anyOf, uses }, i) =>
    (anyOf && anyOf.length > 0) || Object.keys(uses).some((name) => name.startsWith(HANDS)) ? [i] : [],
  );
  const [perSwitch, sitting, perMove] = [
    assumed('another machine in one sitting'),
    assumed('one sitting'),
    assumed('a task that moves'),
  ];
  const ends = new Float64Array(machines.length);
  return (starts: Int32Array, chosen: Int32Array): number => {
    let [last, sum, moved, unliked] = [0, 0, 0, 0];
    ends.fill(0);
    for (let i = 0; i < durations.length; i++) {
      const [start, end] = [starts[i]!, starts[i]! + durations[i]!];
      if (end > last) last = end;
      sum += end;
      const machine = machineAt[i]!;
      if (machine >= 0 && end > ends[machine]!) ends[machine] = end;
      const was = before[i];
      if (was !== undefined && was !== start) moved += perMove * (1 + Math.min(1, Math.abs(was - start) / 1440));
      const own = liked[i];
      if (own) unliked += outside(own, start, end);
    }
    let cost = last + sum / (16 * Math.max(1, durations.length)) + moved + 0.1 * unliked;
    for (const [i, end] of ends.entries()) {
      const wish = due[i];
      cost += EACH * end + (wish ? LATE * wish.weight * Math.max(0, end - wish.dueMin) : 0);
    }
    const inHand = [...handed].sort((a, b) => starts[a]! - starts[b]!);
    const lastOf = new Map<number, { machine: number; end: number }>();
    for (const i of inHand) {
      const who = choices[i]![chosen[i]!]?.resource ?? -1;
      const prior = lastOf.get(who);
      if (prior && prior.machine !== machineAt[i] && starts[i]! - prior.end < sitting) cost += perSwitch;
      lastOf.set(who, { machine: machineAt[i]!, end: starts[i]! + durations[i]! });
    }
    return cost;
  };
}

/** Resources whose names begin so are people. */
export const HANDS = 'hands:';

/** Minutes of a stretch that lie in none of some intervals. */
function outside(intervals: readonly Interval[], start: number, end: number): number {
  let left = end - start;
  for (const [from, to] of intervals) left -= Math.max(0, Math.min(end, to) - Math.max(start, from));
  return Math.max(0, left);
}

/** A task where it is held: at its moment alone. */
const held = ({ at, ...task }: BenchTask): BenchTask =>
  at === undefined ? task : { ...task, windows: [[at, at + task.duration]] };

/**
 * Some tasks and what falls with them: what is done only so that they can follow at once, as setting up before an exposure.
 * Each with the one that it falls with; those that were given fall by themselves.
 */
export function fallsWith(tasks: readonly Task[], ids: readonly string[]): Map<string, string> {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const gone = new Map(ids.map((id) => [id, id]));
  const fall = (one: string): void => {
    for (const { task, maxLag } of byId.get(one)?.after ?? []) {
      if (maxLag === undefined || gone.has(task)) continue;
      gone.set(task, one);
      fall(task);
    }
  };
  for (const id of ids) fall(id);
  return gone;
}

/** All that wait for one of some tasks, whether at once or through others. */
export function waiting(tasks: readonly Task[], gone: ReadonlyMap<string, string>): Map<string, string> {
  const found = new Map<string, string>();
  for (let more = true; more;) {
    more = false;
    for (const { id, after } of tasks) {
      if (gone.has(id) || found.has(id)) continue;
      const one = after.find(({ task }) => gone.has(task) || found.has(task));
      if (!one) continue;
      found.set(id, one.task);
      more = true;
    }
  }
  return found;
}

/**
 * Lays all tasks of the bench: each machine by its wanted date first, then the end of all, few changes between machines in
 * one sitting, the best sun, and as few moves against the plan before as can be. What finds no moment is left out and
 * named, with what waits for it; the rest is planned.
 */
export function planBench(given: BenchProblem, limits: SearchLimits): BenchPlan {
  const began = limits.clock();
  const leftOut: BenchPlan['leftOut'] = [];
  const unpinned: string[] = [];
  let tasks: readonly BenchTask[] = given.tasks.map(held);
  const freed = new Map(given.tasks.map((task) => [task.id, task]));
  for (;;) {
    const problem: BenchProblem = { ...given, tasks };
    try {
      const compiled = compile(problem);
      const head = heads(compiled);
      const there = given.resources.map(({ available }) =>
        available ? [...available].sort(([a], [b]) => a - b) : null,
      );
      const cost = costOf(problem, compiled);
      const first = tasks.some(({ id }) => given.before[id] !== undefined)
        ? tasks.map(({ id }, i) => -(given.before[id] ?? head[i]!))
        : undefined;
      const found = search(
        compiled,
        head,
        // By minutes of the end of all, however late some machine is.
        { cost, size: () => assumed('one sitting') * 10, enough: () => false, first, atOnce: true },
        limits,
      );
      return told(problem, compiled, found, {
        ...{ leftOut, unpinned, lowerBound: lowerBound(compiled, there, head) },
        elapsedMs: limits.clock() - began,
      });
    } catch (failure) {
      if (!(failure instanceof NoPlace)) throw failure;
      // Where hours run out, one goes over all at once: a bench with thousands of tasks is answered with what can be done.
      const lost = failure.reason.kind === 'taken' ? lostOf(problem) : [failure.task];
      const pinned = lost.filter((id) => freed.get(id)!.at !== undefined && !unpinned.includes(id));
      if (pinned.length > 0) {
        // What clashes with something that is pinned lets the pin go first; what is not pinned at all is left out.
        const free = withSession(tasks, pinned);
        unpinned.push(...[...free].filter((id) => freed.get(id)!.at !== undefined && !unpinned.includes(id)));
        tasks = tasks.map((task) => (free.has(task.id) ? loose(freed.get(task.id)!) : task));
        continue;
      }
      tasks = without(tasks, lost.length > 0 ? lost : [failure.task], failure, leftOut);
    }
  }
}

/** Some tasks, and of a planned session all that it is made of: it moves as a whole. */
function withSession(tasks: readonly BenchTask[], ids: readonly string[]): Set<string> {
  const near = new Map<string, string[]>();
  const join = (a: string, b: string) => near.set(a, [...(near.get(a) ?? []), b]);
  for (const { id, after, elsewhere } of tasks)
    if (elsewhere)
      for (const { task, maxLag } of after)
        if (maxLag !== undefined) {
          join(id, task);
          join(task, id);
        }
  const all = new Set(ids);
  for (const id of all) for (const other of near.get(id) ?? []) all.add(other);
  return all;
}

/** Tasks without some that find no moment, which are named with all that falls with them and waits for them. */
function without(
  tasks: readonly BenchTask[],
  lost: readonly string[],
  { task: named, reason }: NoPlace,
  leftOut: BenchPlan['leftOut'],
): readonly BenchTask[] {
  const isLost = new Set(lost);
  const gone = fallsWith(tasks, lost);
  const also = waiting(tasks, gone);
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const whyOf = (id: string, by: string): LeftOutReason => {
    if (id === named) return reason;
    if (!isLost.has(id)) return { kind: 'falls', with: by };
    const first = byId.get(id)!.after.find(({ task }) => isLost.has(task))?.task;
    return first === undefined ? { kind: 'taken' } : { kind: 'waits', for: first };
  };
  for (const [id, by] of gone) leftOut.push({ id, why: whyOf(id, by) });
  for (const [id, by] of also) leftOut.push({ id, why: { kind: 'waits', for: by } });
  return tasks.filter(({ id }) => !gone.has(id) && !also.has(id));
}

/** All that find no moment where each is laid as early as it can be, one after the other. */
function lostOf(problem: BenchProblem): string[] {
  const compiled = compile(problem);
  const head = heads(compiled);
  const order = together(byPriority(compiled, soonestFirst(head)), compiled);
  const placed = new Serial(compiled, head).place(order, true);
  return placed.ok ? compiled.ids.filter((_, i) => placed.starts[i]! >= NEVER) : [];
}

function told(
  { tasks, wishes, resources }: BenchProblem,
  { durations, choices, ids }: Compiled,
  { starts, chosen, order, cost, iterations }: ReturnType<typeof search>,
  more: Pick<BenchPlan, 'leftOut' | 'unpinned' | 'lowerBound' | 'elapsedMs'>,
): BenchPlan {
  const laid = tasks.map(({ id }, i): Laid => {
    const choice = choices[i]![chosen[i]!];
    return {
      id,
      start: starts[i]!,
      end: starts[i]! + durations[i]!,
      who: choice ? resources[choice.resource]!.id : null,
    };
  });
  return {
    ...more,
    tasks: laid,
    ready: readyOf(tasks, laid, wishes),
    makespan: laid.reduce((most, { end }) => Math.max(most, end), 0),
    order: order.map((i) => ids[i]!),
    ...{ cost, iterations },
  };
}

/** When the last task of each machine ends. */
function readyOf(
  tasks: readonly BenchTask[],
  laid: readonly Laid[],
  wishes: BenchProblem['wishes'],
): BenchPlan['ready'] {
  const ends = new Map<string, number>();
  for (const [i, { machine }] of tasks.entries())
    if (machine !== null) ends.set(machine, Math.max(ends.get(machine) ?? 0, laid[i]!.end));
  return [...ends].map(([machine, min]) => {
    const wish = wishes.find((one) => one.machine === machine);
    return { machine, min, lateMin: wish ? Math.max(0, min - wish.dueMin) : 0 };
  });
}
