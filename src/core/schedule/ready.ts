import { assumed } from '../assumptions/assumptions';
import { cut, NEVER, type Interval } from './problem';
import type { BenchProblem, BenchTask } from './bench';
import { fallsWith, HANDS, waiting } from './bench';
import { heads } from './bound';
import { compile } from './compile';
import { NoPlace } from './noPlace';
import { generator } from './search';
import { Serial } from './serial';

const DAY_MIN = 1440;
/** One run at least tells something. */
const LEAST_RUNS = 1;

/** What went otherwise than planned so far: the natural logarithm of real over planned length, at the mean, and how sure that is. */
export interface Pace {
  mean: number;
  sd: number;
}

/** What a workshop’s own tasks say of how long everything takes there. */
export function paceOf(ratios: readonly number[]): Pace {
  const [prior, each] = [assumed('spread between workshops'), assumed('spread of hands work')];
  const logs = ratios.filter((ratio) => ratio > 0).map((ratio) => Math.log(Math.min(8, Math.max(1 / 8, ratio))));
  const precision = 1 / prior ** 2 + logs.length / each ** 2;
  const mean = assumed('work drags on') / prior ** 2 + logs.reduce((sum, one) => sum + one, 0) / each ** 2;
  return { mean: mean / precision, sd: Math.sqrt(1 / precision) };
}

export interface ReadyLimits {
  runs: number;
  seed: number;
  /** Chance that a day’s sun does not come as foretold, by day from the plan’s start. */
  badSun: (day: number) => number;
  pace: Pace;
  stopped?: (() => boolean) | undefined;
}

/** When a machine is ready in each of the runs, the first run first, minutes from the plan’s start; `Infinity` for beyond all that is planned. */
export interface ReadyDates {
  machine: string;
  ends: number[];
}

/** A number out of words (FNV-1a), for luck that belongs to a thing. */
function hashOf(words: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < words.length; i++) hash = Math.imul(hash ^ words.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

/** A normal number out of two even ones (Box and Muller, 1958). */
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * When each machine is ready, by playing the plan through: lengths and failed passes as their spreads say, days without the
 * sun that was foretold, days on which somebody is not there. The order stays that of the plan.
 *
 * @param order ids as the plan laid them
 */
export function readyDates(problem: BenchProblem, order: readonly string[], limits: ReadyLimits): ReadyDates[] {
  const machines = [...new Set(problem.tasks.flatMap(({ machine }) => machine ?? []))];
  const ends = new Map(machines.map((machine) => [machine, [] as number[]]));
  const among = new Set(order);
  for (let run = 0; run < limits.runs && (run < LEAST_RUNS || !limits.stopped?.()); run++) {
    const once = onceOver({ ...problem, tasks: problem.tasks.filter(({ id }) => among.has(id)) }, limits, run);
    const last = played(once, order);
    for (const machine of machines) ends.get(machine)!.push(last.get(machine) ?? 0);
  }
  return machines.map((machine) => ({ machine, ends: ends.get(machine)! }));
}

/** When each machine ends if everything takes as long as it says, laid in a given order; what finds no moment ends never. */
export function played(problem: BenchProblem, order: readonly string[]): Map<string, number> {
  const last = new Map<string, number>();
  const upTo = (machine: string | null, end: number) => {
    if (machine !== null) last.set(machine, Math.max(last.get(machine) ?? 0, end));
  };
  const rank = new Map(order.map((id, i) => [id, i]));
  for (let tasks = problem.tasks; ;) {
    try {
      const compiled = compile({ ...problem, tasks });
      const placed = new Serial(compiled, heads(compiled)).place(byRank(tasks, rank), true);
      if (placed.ok)
        for (const [i, { machine }] of tasks.entries()) {
          const start = placed.starts[i]!;
          upTo(machine, start >= NEVER ? Infinity : start + compiled.durations[i]!);
        }
      return last;
    } catch (failure) {
      if (!(failure instanceof NoPlace)) throw failure;
      const gone = fallsWith(tasks, [failure.task]);
      const also = waiting(tasks, gone);
      for (const { id, machine } of tasks) if (gone.has(id) || also.has(id)) upTo(machine, Infinity);
      tasks = tasks.filter(({ id }) => !gone.has(id) && !also.has(id));
    }
  }
}

/** Places of tasks in the order of their ranks: a repetition comes right after what it repeats. */
const byRank = (tasks: readonly BenchTask[], rank: ReadonlyMap<string, number>): number[] =>
  tasks
    .map(({ id }, i) => ({ i, at: rank.get(id) ?? (rank.get(id.replace(AGAIN, '')) ?? 0) + 0.5 }))
    .sort((a, b) => a.at - b.at)
    .map(({ i }) => i);

const AGAIN = /\u0000again\d$/;
/** Something that failed so often is done another way. */
const MOST_AGAIN = 3;
/** How much more likely a grey day is after a grey one, and an ill one after an ill one: bad days come in rows. */
const GREY_ROWS = 0.35;
const ILL_ROWS = 0.45;

/** Chance of a day given the one before, so that over all days it stays as it was. */
const inRows = (chance: number, before: boolean | undefined, rows: number): number =>
  before === undefined ? chance : before ? chance + rows * (1 - chance) : chance * (1 - rows);

/** The problem as it might turn out to be. */
function onceOver(problem: BenchProblem, { badSun, pace, seed }: ReadyLimits, run: number): BenchProblem {
  // Each thing has luck of its own, so that two plans that differ in one thing are told apart by that alone.
  const luck = (of: string) => generator(hashOf(`${seed} ${run} ${of}`));
  const common = pace.mean + pace.sd * normal(luck('pace'));
  const days = new Map<number, boolean>();
  const isBad = (minute: number): boolean => {
    const day = Math.floor(minute / DAY_MIN);
    for (let one = days.size; one <= day; one++)
      days.set(one, luck(`sun ${one}`)() < inRows(badSun(one), days.get(one - 1), GREY_ROWS));
    return days.get(day) ?? false;
  };
  const whileThere = (id: string, available: readonly Interval[]): Interval[] => {
    let [away, last]: [boolean | undefined, number] = [undefined, -1];
    return available.filter(([from]) => {
      const day = Math.floor(from / DAY_MIN);
      // Who is there twice a day is there both times, or not at all.
      if (day !== last) away = luck(`${id} ${day}`)() < inRows(assumed('somebody is not there'), away, ILL_ROWS);
      last = day;
      return !away;
    });
  };
  const resources = problem.resources.map((resource) =>
    resource.id.startsWith(HANDS) && resource.available
      ? {
          ...resource,
          available: whileThere(resource.id, resource.available),
        }
      : resource,
  );
  const repeated = new Map<string, string>();
  const tasks = problem.tasks.flatMap((task): BenchTask[] => {
    const random = luck(task.id);
    // Nothing is begun before the moment that was set for it; when that is over it goes where others like it go.
    const { windows: open, liked } = { ...task, ...task.elsewhere };
    const later = task.at === undefined ? open : cut(open, task.at);
    const windows = liked ? later?.filter(([from]) => !isBad(from)) : later;
    const longest = longestOf(task, windows);
    const drawn = Math.round(task.duration * Math.exp((task.spread > 0 ? common : 0) + task.spread * heavy(random)));
    const duration = task.duration === 0 ? 0 : Math.max(1, Math.min(drawn, longest));
    const own = {
      ...task,
      duration,
      at: undefined,
      ...(windows && { windows: windows.length > 0 ? windows : [[NEVER - duration - 1, NEVER] as const] }),
    };
    const all = [own];
    while (all.length <= MOST_AGAIN && random() < task.again)
      all.push({ ...own, id: `${task.id}\u0000again${all.length}`, after: [{ task: all.at(-1)!.id, minLag: 0 }] });
    if (all.length > 1) repeated.set(task.id, all.at(-1)!.id);
    return all;
  });
  return {
    ...problem,
    resources,
    tasks: tasks.map((task) => ({
      ...task,
      after: task.after.map((lag) =>
        // What is done again is waited for again; how long one may wait counts from then.
        repeated.has(lag.task) && !AGAIN.test(task.id) ? { ...lag, task: repeated.get(lag.task)! } : lag,
      ),
    })),
  };
}

/** A normal number with heavier tails: now and then something takes far longer. */
const heavy = (random: () => number): number => normal(random) * (random() < 0.1 ? 2.2 : 1);

/** What needs hands never takes longer than its longest window: it is split then, which is not planned for. */
function longestOf(task: BenchTask, windows: readonly Interval[] | undefined): number {
  const byWindow = (windows ?? []).reduce((most, [from, to]) => Math.max(most, to - from), 0);
  const most = windows ? Math.max(task.duration, byWindow) : Infinity;
  return (task.anyOf?.length ?? 0) > 0 ? Math.min(most, Math.max(task.duration, 150)) : most;
}
