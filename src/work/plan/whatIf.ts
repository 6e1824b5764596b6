import { planBench } from '@/core/schedule/bench';
import type { BenchWork, BenchWorked } from '@/core/schedule/benchWork';
import { changed, type WhatIf } from '@/core/schedule/changed';
import { tasksOf } from '@/core/schedule/facts/tasks';
import { quantile } from '@/core/numbers';
import { inPool } from '@/data/heavyPool';
import { planThatStands } from '@/data/plans';
import { dayAround } from '@/core/runsheet/time';
import { getWorkshop } from '@/data/workshop';
import type { Outside } from './facts';
import { wholeMinute, workToDo } from './replan';

const MINUTE_MS = 60_000;

/** What a move costs: how much later machines are ready, how many tasks move with it, and what hinders it. */
export interface MoveCost {
  laterMin: { machine: string; min: number }[];
  moved: number;
  /** It cannot be there: what it needs is not there, or what it waits for is not over. */
  impossible: boolean;
}

const kept = globalThis as { kvellWork?: { number: number; at: Date; work: BenchWork } };

/** The work of the plan that stands; kept while that stands, since a finger that drags asks often. */
async function workThatStands(now: Date, outside: Outside): Promise<{ at: Date; work: BenchWork }> {
  const number = (await planThatStands())?.number ?? 0;
  if (kept.kvellWork?.number !== number) {
    const at = wholeMinute(now);
    const { work } = await workToDo(at, outside);
    kept.kvellWork = { number, at, work };
  }
  return kept.kvellWork;
}

const LIMITS = { timeLimitMs: 0, maxIterations: 0, seed: 1, clock: () => 0 };

/** What it would cost to begin a task at another time, by one laying of all tasks without a search. */
export async function costOfMove(task: string, startAt: Date, now: Date, outside: Outside): Promise<MoveCost> {
  const { at, work } = await workThatStands(now, outside);
  const minutes = Math.round((startAt.getTime() - at.getTime()) / MINUTE_MS);
  const plain = planBench(tasksOf(work.facts).problem, LIMITS);
  const marks = { ...work.facts.marks, [task]: { ...work.facts.marks[task], at: Math.max(0, minutes) } };
  const moved = planBench(tasksOf({ ...work.facts, marks }).problem, LIMITS);
  const start = (plan: typeof plain, id: string) => plan.tasks.find((one) => one.id === id)?.start;
  return {
    laterMin: moved.ready.flatMap(({ machine, min }) => {
      const was = plain.ready.find((one) => one.machine === machine);
      return was && min - was.min !== 0 ? [{ machine, min: min - was.min }] : [];
    }),
    moved: moved.tasks.filter(({ id, start: from }) => id !== task && start(plain, id) !== from).length,
    impossible: minutes < 0 || moved.unpinned.includes(task) || moved.leftOut.some(({ id }) => id === task),
  };
}

/** When machines are ready as things stand, and if something were otherwise; minutes from now, `null` for later than is planned. */
export interface WhatIfAnswer {
  rows: { machine: string; six: [number | null, number | null]; nine: [number | null, number | null] }[];
  /** The end of all, minutes. */
  end: [number, number];
  /** Tasks that find no moment. */
  leftOut: [number, number];
}

/** The plan as it stands beside one with something changed. */
export async function whatIf(change: WhatIf, at: Date, outside: Outside): Promise<WhatIfAnswer> {
  const now = wholeMinute(at);
  const [{ work }, { timeZone, lampMwPerCm2 }] = await Promise.all([workToDo(now, outside), getWorkshop()]);
  const { start, hours } = dayAround(now, timeZone);
  const midnight = Math.round((start.getTime() + hours * 60 * MINUTE_MS - now.getTime()) / MINUTE_MS);
  const weekday = (new Date(start.getTime() + hours * 30 * MINUTE_MS).getUTCDay() + 6) % 7;
  const facts = changed(work.facts, change, { midnight, weekday, lampMwPerCm2 });
  const both = [await inPool('bench', work), await inPool('bench', { ...work, facts })] as const;
  const ends = (worked: BenchWorked, machine: string, share: number): number | null => {
    const all = worked.ready.find((one) => one.machine === machine)?.ends ?? [];
    const end = all.length > 0 ? quantile(all, share)! : Infinity;
    return Number.isFinite(end) ? Math.ceil(end) : null;
  };
  return {
    rows: both[0].plan.ready.map(({ machine }) => ({
      machine,
      six: [ends(both[0], machine, 0.6), ends(both[1], machine, 0.6)],
      nine: [ends(both[0], machine, 0.9), ends(both[1], machine, 0.9)],
    })),
    end: [both[0].plan.makespan, both[1].plan.makespan],
    leftOut: [both[0].plan.leftOut.length, both[1].plan.leftOut.length],
  };
}
