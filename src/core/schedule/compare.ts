import type { BenchWorked } from './benchWork';
import type { BenchFacts } from './facts/facts';
import type { Cause, KeptPlan, KeptReady, KeptTask, Moved, WentBy } from './kept';
import { quantile } from '../numbers';

const MINUTE_MS = 60_000;

/** A day’s dose that differs by less is the same day: a forecast is no better. */
const SAME_SUN = 0.15;
/** Less than this does not move a task. */
const SAME_MIN = 10;
/** So many days of somebody’s hours are told apart, and so many minutes are a difference. */
const PEOPLE_DAYS = 14;
const SAME_HOURS_MIN = 30;
/** A task that should have begun so long ago is late. */
const LATE_MIN = 10;

const instant = (now: Date, minutes: number): string => new Date(now.getTime() + minutes * MINUTE_MS).toISOString();

/** What a plan goes by, as far as the next one is told apart from it. */
function wentBy(facts: BenchFacts, now: Date, dayOf: (at: Date) => string): WentBy {
  const day = (minutes: number) => dayOf(new Date(now.getTime() + minutes * MINUTE_MS));
  const today = day(0);
  return {
    sun: facts.sun
      .filter(({ from }) => day(from) > today)
      .map(({ from, dose, own }) => ({ day: day(from), dose: Math.round(100 * dose) / 100, own })),
    orders: facts.machines.flatMap(({ orders }) =>
      orders.map(({ id, what, due }) => ({ id, what, due: due === null ? null : day(due) })),
    ),
    people: facts.people.map(({ id, available }) => {
      const days: Record<string, number> = {};
      for (const [from, to] of available)
        if (day(from) > today && from < PEOPLE_DAYS * 1440) days[day(from)] = (days[day(from)] ?? 0) + to - from;
      return { id, days };
    }),
  };
}

/** Odds of a date: the share of runs that are ready by it. */
const oddsBy = (ends: readonly number[], due: number): number =>
  ends.length === 0 ? 0 : ends.filter((end) => end <= due).length / ends.length;

function readyIn({ plan, ready }: BenchWorked, facts: BenchFacts, now: Date): KeptReady[] {
  const endsOf = new Map(ready.map(({ machine, ends }) => [machine, ends]));
  const wishes = new Map(facts.machines.map(({ id, wish }) => [id, wish]));
  return plan.ready.map(({ machine, min }): KeptReady => {
    const ends = endsOf.get(machine) ?? [];
    const wish = wishes.get(machine) ?? null;
    const at = (share: number): string | null => {
      const end = ends.length > 0 ? quantile(ends, share)! : Infinity;
      return Number.isFinite(end) ? instant(now, Math.ceil(end)) : null;
    };
    return {
      ...{ machine, planned: instant(now, min), six: at(0.6), nine: at(0.9) },
      wantedAt: wish ? instant(now, wish.dueMin) : null,
      odds: wish ? oddsBy(ends, wish.dueMin) : null,
    };
  });
}

/** By how many minutes there are fewer hands, from tomorrow on to the last day that both plans knew: what comes in each night at the far end is no change. */
function fewerHands(before: WentBy, after: WentBy, today: string): number {
  const of = ({ people }: WentBy, day: string) => people.reduce((sum, { days }) => sum + (days[day] ?? 0), 0);
  const daysOf = ({ people }: WentBy) => people.flatMap(({ days }) => Object.keys(days)).sort();
  const [were, are] = [daysOf(before), daysOf(after)];
  const last = [were.at(-1) ?? '', are.at(-1) ?? ''].sort()[0]!;
  const common = [...new Set([...were, ...are])].filter((day) => day > today && day <= last);
  return common.reduce((sum, day) => sum + of(before, day) - of(after, day), 0);
}

/** Why a plan is another than the one before: what it went by, told apart. */
function causesOf(before: KeptPlan, after: Omit<KeptPlan, 'moved'>, now: Date, today: string): Cause[] {
  const causes: Cause[] = [];
  const days = after.wentBy.sun.flatMap((day) => {
    const was = before.wentBy.sun.find((one) => one.day === day.day);
    if (!was) return before.wentBy.sun.some((one) => one.day > day.day) ? [{ day: day.day, more: true }] : [];
    const change = day.dose - was.dose;
    return Math.abs(change) > SAME_SUN * Math.max(day.dose, was.dose) ? [{ day: day.day, more: change > 0 }] : [];
  });
  const last = after.wentBy.sun.at(-1)?.day ?? '';
  const gone = before.wentBy.sun
    .filter((was) => was.day > today && was.day < last)
    .filter((was) => !after.wentBy.sun.some(({ day }) => day === was.day))
    .map(({ day }) => ({ day, more: false }));
  const sky = [...days, ...gone];
  if (sky.length > 0)
    causes.push({
      kind: 'sky',
      days: sky.map(({ day }) => day).sort(),
      better: sky.filter(({ more }) => more).length * 2 > sky.length,
    });
  for (const was of before.wentBy.orders) {
    const is = after.wentBy.orders.find(({ id }) => id === was.id);
    if (!is) causes.push({ kind: 'arrived', what: was.what });
    else if (was.due !== null && is.due !== null && is.due !== was.due)
      causes.push({ kind: 'parcel', what: is.what, later: is.due > was.due });
  }
  const fewer = fewerHands(before.wentBy, after.wentBy, today);
  if (Math.abs(fewer) >= SAME_HOURS_MIN) causes.push({ kind: 'people', fewer: fewer > 0 });
  if (before.marks.join() !== after.marks.join())
    causes.push({
      kind: 'said',
      count: Math.max(1, Math.abs(after.marks.length - before.marks.length)),
    });
  const known = (plan: Pick<KeptPlan, 'tasks' | 'leftOut'>) =>
    new Set([...plan.tasks.map(({ id }) => id), ...plan.leftOut.map(({ id }) => id)]);
  const [were, are] = [known(before), known(after)];
  const more = after.tasks.filter(({ id }) => !were.has(id));
  const planned = new Set([...after.tasks, ...after.leftOut].map(({ about }) => about.machine));
  const left = before.tasks.filter(({ id }) => !are.has(id));
  // Of a machine with nothing left to do it is not known here whether it is finished or was put away.
  const off = new Set(left.flatMap(({ about }) => (planned.has(about.machine) ? [] : (about.machine ?? []))));
  const done = left.filter(({ about }) => about.machine === null || !off.has(about.machine));
  if (more.length > 0) {
    const machines = new Set(more.map(({ about }) => about.machine));
    causes.push({
      kind: 'more to do',
      count: more.length,
      machine: machines.size === 1 ? [...machines][0]! : null,
    });
  }
  for (const machine of off) causes.push({ kind: 'off the bench', machine });
  if (done.length > 0) causes.push({ kind: 'done', count: done.length });
  const late = before.tasks.filter(
    ({ id, from, about }) => about.hands && are.has(id) && Date.parse(from) < now.getTime() - LATE_MIN * MINUTE_MS,
  );
  if (late.length > 0) causes.push({ kind: 'late', count: late.length });
  return causes;
}

/** What moved against the plan before; `null` where nothing worth a word did. */
function movedFrom(before: KeptPlan, after: Omit<KeptPlan, 'moved'>, now: Date, today: string): Moved | null {
  const causes = causesOf(before, after, now, today);
  const stood = new Map(before.tasks.map((task) => [task.id, task]));
  const tasks = after.tasks.flatMap(({ id, about, from }) => {
    const was = stood.get(id);
    return was && Math.abs(Date.parse(was.from) - Date.parse(from)) >= SAME_MIN * MINUTE_MS
      ? [{ id, about, from: was.from, to: from }]
      : [];
  });
  const wasReady = new Map(before.ready.map((one) => [one.machine, one]));
  const ready = after.ready.flatMap(({ machine, planned }) => {
    const was = wasReady.get(machine);
    return was && was.planned.slice(0, 10) !== planned.slice(0, 10) ? [{ machine, was: was.planned, is: planned }] : [];
  });
  return tasks.length === 0 && ready.length === 0 ? null : { causes, tasks, ready };
}

/**
 * A plan as it is kept: in real time, with what it went by and what moved against the one before.
 *
 * @param dayOf the day of an instant in the workshop’s zone, as `2026-06-21`
 */
export function keptPlan(
  worked: BenchWorked,
  facts: BenchFacts,
  before: KeptPlan | null,
  now: Date,
  dayOf: (at: Date) => string,
): KeptPlan {
  const { plan, tasks } = worked;
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const kept = {
    tasks: plan.tasks
      .toSorted((a, b) => a.start - b.start)
      .map(({ id, start, end, who }): KeptTask => {
        const { about, at } = byId.get(id)!;
        return {
          ...{ id, who, about, from: instant(now, start), to: instant(now, end) },
          pinned: at !== undefined && !plan.unpinned.includes(id),
        };
      }),
    leftOut: plan.leftOut.map(({ id, why }) => ({ id, why, about: byId.get(id)!.about })),
    unpinned: plan.unpinned,
    ready: readyIn(worked, facts, now),
    runs: worked.ready[0]?.ends.length,
    ...{ makespan: plan.makespan, lowerBound: plan.lowerBound },
    wentBy: wentBy(facts, now, dayOf),
    marks: Object.entries(facts.marks)
      .map(
        ([id, mark]) =>
          `${id} ${JSON.stringify({ ...mark, at: mark.at !== undefined, notBefore: mark.notBefore !== undefined })}`,
      )
      .sort(),
  };
  return { ...kept, moved: before ? movedFrom(before, kept, now, dayOf(now)) : null };
}
