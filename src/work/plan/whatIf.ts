import type { BenchWorked } from '@/core/schedule/benchWork';
import { changed, type WhatIf } from '@/core/schedule/changed';
import type { BenchFacts } from '@/core/schedule/facts/facts';
import type { LaidOut, MoveCost } from '@/core/schedule/move';
import { quantile } from '@/core/numbers';
import { inPool } from '@/data/heavyPool';
import { planThatStands } from '@/data/plans';
import { titlesOf } from '@/data/restorations';
import type { PlanRow } from '@/data/rows';
import { dayAround } from '@/core/runsheet/time';
import { getWorkshop } from '@/data/workshop';
import type { Outside } from './facts';
import { wholeMinute, workToDo } from './replan';

const MINUTE_MS = 60_000;

interface Standing {
  at: Date;
  facts: BenchFacts;
  laid: LaidOut;
}

const kept = globalThis as { kvellWork?: { stands: PlanRow | null; work: Promise<Standing> } | undefined };

/** What the plan that stands is made of, and how that lies; kept while it stands, since a finger that drags asks often. */
async function workThatStands(now: Date, outside: Outside): Promise<Standing> {
  const stands = await planThatStands();
  if (kept.kvellWork?.stands !== stands || kept.kvellWork === undefined) {
    const at = wholeMinute(now);
    const work = workToDo(at, outside).then(async ({ work: { facts } }) => ({
      ...{ at, facts, laid: await inPool('laidOut', facts) },
    }));
    kept.kvellWork = { stands, work };
    // What failed is not kept: the next who asks has it worked out again.
    work.catch(() => (kept.kvellWork = undefined));
  }
  return kept.kvellWork.work;
}

/** So many machines are told of by name; of the rest how many there are. */
const TOLD = 3;

/** What a move costs, with the names of the machines that it costs most. */
export interface ToldCost extends Pick<MoveCost, 'moved' | 'impossible'> {
  laterMin: { title: string; min: number }[];
  moreLater: number;
}

/** What it would cost to begin a task at another time. */
export async function costOfMove(task: string, startAt: Date, now: Date, outside: Outside): Promise<ToldCost> {
  const { at, facts, laid } = await workThatStands(now, outside);
  const minutes = Math.round((startAt.getTime() - at.getTime()) / MINUTE_MS);
  const { laterMin, moved, impossible } = await inPool('move', { facts, laid: await laid, task, minutes });
  const told = laterMin.toSorted((a, b) => Math.abs(b.min) - Math.abs(a.min)).slice(0, TOLD);
  const titles = await titlesOf(told.map(({ machine }) => machine));
  return {
    ...{ moved, impossible, moreLater: laterMin.length - told.length },
    laterMin: told.map(({ machine, min }) => ({ title: titles.get(machine) ?? '', min })),
  };
}

/** When a machine is ready as things stand, and if something were otherwise; minutes from now, `null` for later than is planned. */
interface WhatIfRow {
  machine: string;
  title: string;
  six: [number | null, number | null];
  nine: [number | null, number | null];
}

/** So many machines are told of, those first whose dates differ most. */
const ROWS = 40;

/** Both plans side by side. */
export interface WhatIfAnswer {
  rows: WhatIfRow[];
  /** Machines that are not told of. */
  moreRows: number;
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
  const is = await inPool('bench', work);
  // Looked for as long and played through as often: what a slow moment leaves out would look like what the change does.
  const then = await inPool('bench', { ...work, facts, maxIterations: is.plan.iterations, runs: runsOf(is) });
  const [endsNow, endsThen] = [is, then].map((worked) => endsOf(worked, runsOf(then))) as [Ends, Ends];
  const dates = (machine: string, share: number): [number | null, number | null] => [
    endBy(endsNow.get(machine), share),
    endBy(endsThen.get(machine), share),
  ];
  const rows = is.plan.ready
    .map(({ machine }) => ({ machine, six: dates(machine, 0.6), nine: dates(machine, 0.9) }))
    .sort((a, b) => changeOf(b) - changeOf(a));
  const told = rows.slice(0, ROWS);
  const titles = await titlesOf(told.map(({ machine }) => machine));
  return {
    rows: told.map((row) => ({ ...row, title: titles.get(row.machine) ?? '' })),
    moreRows: rows.length - told.length,
    end: [is.plan.makespan, then.plan.makespan],
    leftOut: [is.plan.leftOut.length, then.plan.leftOut.length],
  };
}

type Ends = ReadonlyMap<string, readonly number[]>;

const runsOf = ({ ready }: BenchWorked): number => ready[0]?.ends.length ?? 1;

/** When each machine is ready in the first so many runs: each has the same luck in both plans. */
const endsOf = ({ ready }: BenchWorked, runs: number): Ends =>
  new Map(ready.map(({ machine, ends }) => [machine, ends.slice(0, runs)]));

/** When a share of the runs are over, whole minutes; `null` for beyond all that is planned. */
function endBy(ends: readonly number[] | undefined, share: number): number | null {
  const end = ends && ends.length > 0 ? quantile(ends, share)! : Infinity;
  return Number.isFinite(end) ? Math.ceil(end) : null;
}

/** Beyond all that is planned counts as far off. */
const FAR_MIN = 10 * 365 * 1440;

/** By how much the dates of a machine differ, minutes. */
const changeOf = (row: Pick<WhatIfRow, 'six' | 'nine'>): number =>
  Math.max(...[row.six, row.nine].map(([is, then]) => Math.abs((is ?? FAR_MIN) - (then ?? FAR_MIN))));
