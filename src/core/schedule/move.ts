import { planBench } from './bench';
import type { BenchFacts } from './facts/facts';
import { tasksOf } from './facts/tasks';

/** How all tasks lie without a search: what a moved one is held against. */
export interface LaidOut {
  /** When each task begins that finds a moment, minutes. */
  starts: Map<string, number>;
  /** When each machine is ready, minutes. */
  ready: Map<string, number>;
}

/** What a move costs: how much later machines are ready, how many tasks move with it, and what hinders it. */
export interface MoveCost {
  laterMin: { machine: string; min: number }[];
  moved: number;
  /** It cannot be there: what it needs is not there, or what it waits for is not over. */
  impossible: boolean;
}

const LIMITS = { timeLimitMs: 0, maxIterations: 0, seed: 1, clock: () => 0 };

/** All tasks laid once, without a search. */
export function laidOut(facts: BenchFacts): LaidOut {
  const { tasks, ready } = planBench(tasksOf(facts).problem, LIMITS);
  return {
    starts: new Map(tasks.map(({ id, start }) => [id, start])),
    ready: new Map(ready.map(({ machine, min }) => [machine, min])),
  };
}

/**
 * What it would cost to begin a task at another time, by one more laying. What found no moment before finds none beside it
 * either: of a large bench that is most.
 *
 * @param minutes when it is to begin, from the plan’s start
 */
export function moveCost(facts: BenchFacts, { starts, ready }: LaidOut, task: string, minutes: number): MoveCost {
  const marks = { ...facts.marks, [task]: { ...facts.marks[task], at: Math.max(0, minutes) } };
  const { problem } = tasksOf({ ...facts, marks });
  const laid = problem.tasks.filter(({ id }) => starts.has(id) || id === task);
  const among = new Set(laid.map(({ id }) => id));
  const moved = planBench(
    { ...problem, tasks: laid.map((one) => ({ ...one, after: one.after.filter((lag) => among.has(lag.task)) })) },
    LIMITS,
  );
  return {
    laterMin: moved.ready.flatMap(({ machine, min }) => {
      const was = ready.get(machine);
      return was !== undefined && min !== was ? [{ machine, min: min - was }] : [];
    }),
    moved: moved.tasks.filter(({ id, start }) => id !== task && starts.get(id) !== start).length,
    impossible: minutes < 0 || moved.unpinned.includes(task) || moved.leftOut.some(({ id }) => id === task),
  };
}
