import type { BenchWork, BenchWorked } from '@/core/schedule/benchWork';
import { keptPlan } from '@/core/schedule/compare';
import type { BenchFacts } from '@/core/schedule/facts/facts';
import type { KeptPlan } from '@/core/schedule/kept';
import { atOneInstant } from '@/data/connection';
import { inPool } from '@/data/heavyPool';
import { newestMark } from '@/data/log';
import { keepPlan, planHead, planThatStands } from '@/data/plans';
import type { PlanRow } from '@/data/rows';
import { findRows } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { benchFacts, dayName, type Outside } from './facts';

const MINUTE_MS = 60_000;
/** A plan is looked over again after so long, whatever happens. */
const OLD_MIN = 20;
/** What is about to begin stays where it is, if that can be at all. */
const SOON_MIN = 60;
const SEARCH_MS = 1500;
const RUNS = 200;
const SEED = 7;

/** How a plan is worked out: in a thread of its own, or where one asks for it at once. */
type Works = (work: BenchWork) => Promise<BenchWorked>;

const inThread: Works = (work) => inPool('bench', work);

/** Moves what stood in the plan before into minutes from now; what is about to begin is held there. */
function withBefore(facts: BenchFacts, before: KeptPlan | null, now: Date): BenchFacts {
  if (!before) return facts;
  const minutes = (iso: string) => Math.round((Date.parse(iso) - now.getTime()) / MINUTE_MS);
  const marks = { ...facts.marks };
  const stood: Record<string, number> = {};
  for (const { id, from } of before.tasks) {
    const at = minutes(from);
    if (at < 0) continue;
    stood[id] = at;
    if (at < SOON_MIN) marks[id] = { ...marks[id], soon: at };
  }
  return { ...facts, marks, before: stood };
}

/** Real over planned length of what was done at the bench lately. */
async function ratiosOf(): Promise<number[]> {
  const runs = await findRows('task_runs', { outcome: 'done' }, [['startedAt', 'DESC']], 200);
  return runs.flatMap(({ minutes, plannedMin }) =>
    minutes !== null && minutes > 0 && plannedMin > 0 ? [minutes / plannedMin] : [],
  );
}

/** Plans begin with a whole minute, so that their tasks do. */
export const wholeMinute = (at: Date): Date => new Date(Math.floor(at.getTime() / MINUTE_MS) * MINUTE_MS);

/** The work of one plan, with what it was asked for at; `now` is a whole minute. */
export async function workToDo(now: Date, outside: Outside) {
  const [mark, stands, ratios] = await Promise.all([newestMark(), planThatStands(), ratiosOf()]);
  const known = await atOneInstant(() => benchFacts(now, outside));
  const facts = withBefore(known, stands?.plan ?? null, now);
  const work: BenchWork = { facts: plain(facts), ratios, seed: SEED, timeLimitMs: SEARCH_MS, runs: RUNS };
  return { mark, stands, facts, said: known.marks, work };
}

/** What goes over to another thread: no maps. */
const plain = ({ people, things, sun, machines, own, running, marks, done, before }: BenchFacts): BenchFacts => ({
  ...{ people, things, sun, machines, own, running, marks, done, before },
});

/** Plans anew from what is known now, and keeps it. */
export async function replan(at: Date, outside: Outside, works: Works = inThread): Promise<PlanRow> {
  const now = wholeMinute(at);
  const { mark, stands, facts, said, work } = await workToDo(now, outside);
  const { timeZone } = await getWorkshop();
  const worked = await works(work);
  // What is held since it is about to begin, nobody said.
  const plan = keptPlan(worked, { ...facts, marks: said }, stands?.plan ?? null, now, (day) => dayName(day, timeZone));
  // Pins of a moment that only held what was about to begin are nobody’s.
  const pins = new Set((await findRows('task_marks')).filter(({ startAt }) => startAt !== null).map(({ id }) => id));
  return keepPlan(
    {
      ...plan,
      tasks: plan.tasks.map((task) => ({ ...task, pinned: task.pinned && pins.has(task.id) })),
      unpinned: plan.unpinned.filter((id) => pins.has(id) || facts.marks[id]?.soon === undefined),
      // What was told and not read yet is told on, unless something newer moved.
      moved: plan.moved ?? stands?.plan.moved ?? null,
    },
    mark,
    now,
  );
}

/** Whether something happened since the plan was made, or what it says cannot be any more. */
export async function isStale(now: Date): Promise<boolean> {
  const [stands, mark] = await Promise.all([planHead(), newestMark()]);
  if (!stands || stands.mark !== mark) return true;
  const age = now.getTime() - Date.parse(stands.at);
  return age > OLD_MIN * MINUTE_MS || age < 0;
}

/** What is planned in this time is planned anew whenever something happens; what takes longer rests as long as it took. */
const QUICK_MS = 10_000;

const kept = globalThis as { kvellPlanning?: Promise<void> | undefined; kvellPlansAgain?: number };

/**
 * Sees to it that the plan is true, beside what is being answered: nobody waits for it. One plan at a time; what happens
 * meanwhile is planned next time somebody asks. Of hundreds of machines a plan takes long: it leaves half of the time to
 * what else is asked.
 */
export function keepPlanTrue(clock: () => Date, outside: Outside, failed: (failure: unknown) => void): void {
  if (performance.now() < (kept.kvellPlansAgain ?? 0)) return;
  kept.kvellPlanning ??= isStale(clock())
    .then(async (stale) => {
      if (!stale) return;
      const began = performance.now();
      // One that fails rests as well: it would only fail again.
      await replan(clock(), outside).finally(() => {
        const took = performance.now() - began;
        kept.kvellPlansAgain = took > QUICK_MS ? performance.now() + took : 0;
      });
    })
    .catch(failed)
    .finally(() => {
      kept.kvellPlanning = undefined;
    });
}
