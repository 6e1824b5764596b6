import { assumed } from '../assumptions/assumptions';
import { loose, planBench, type BenchPlan } from './bench';
import type { BenchFacts } from './facts/facts';
import { tasksOf, type ToldTask } from './facts/tasks';
import { paceOf, readyDates, type ReadyDates } from './ready';

/** What a plan is made of: what is known, what went otherwise so far, and how long to search. */
export interface BenchWork {
  facts: BenchFacts;
  /** Real over planned length of the tasks that were done here. */
  ratios: readonly number[];
  seed: number;
  timeLimitMs: number;
  maxIterations?: number | undefined;
  runs: number;
}

export interface BenchWorked {
  tasks: readonly ToldTask[];
  plan: BenchPlan;
  ready: ReadyDates[];
}

/** So long it is played through at most. */
const READY_MS = 5000;

/** The plan of the bench and the days on which its machines are ready. */
export function workBench(
  { facts, ratios, seed, timeLimitMs, maxIterations, runs }: BenchWork,
  clock: () => number,
  stopped?: () => boolean,
): BenchWorked {
  const { problem, tasks } = tasksOf(facts);
  const plan = planBench(problem, { timeLimitMs, maxIterations, seed, clock, stopped });
  const skies = facts.sun.map(({ from, own }) => ({ day: Math.floor(from / 1440), own }));
  const badSun = (day: number): number =>
    assumed(
      skies.find((one) => one.day === day)?.own ? 'sun that does not come after a look' : 'sun that does not come',
    );
  const until = clock() + READY_MS;
  const unpinned = new Set(plan.unpinned);
  const asLaid = { ...problem, tasks: problem.tasks.map((task) => (unpinned.has(task.id) ? loose(task) : task)) };
  const ready = readyDates(asLaid, plan.order, {
    ...{ runs, seed, badSun, pace: paceOf(ratios) },
    // Of thousands of tasks fewer runs: nobody waits for the last digit of a date.
    stopped: () => (stopped?.() ?? false) || clock() > until,
  });
  return { tasks, plan, ready };
}
