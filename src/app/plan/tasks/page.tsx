import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { PlanHead } from '@/bench/PlanHead';
import { saidOf } from '@/bench/said';
import { shownPlan } from '@/bench/plan';
import { TasksPart } from '@/bench/TasksPart';
import { restorationsPage, titlesOf } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { needsEntered } from '@/edge/entered';
import { seeToThePlan } from '../../planner';

export const metadata: Metadata = { title: 'All tasks, bench' };

/** So many tasks stand on the page; one machine’s are seldom more. */
const MOST = 100;
/** So many machines are there to choose from, those that were worked on last; the others are looked for by name. */
const TO_CHOOSE = 40;

interface Props {
  searchParams: Promise<{ machine?: string; named?: string }>;
}

/** Every task of the plan, and what was said of it. */
export default async function TasksPage({ searchParams }: Props) {
  await needsEntered();
  const asked = await searchParams;
  const machine = asked.machine ?? '';
  const named = String(asked.named ?? '')
    .trim()
    .slice(0, 100);
  seeToThePlan();
  const { timeZone } = await getWorkshop();
  const isOf = (about: { machine: string | null }) => machine === '' || about.machine === machine;
  const [plan, found, chosen, said] = await Promise.all([
    shownPlan(
      timeZone,
      (tasks) => {
        const own = tasks.filter(isOf);
        return { tasks: own.slice(0, MOST), beyond: Math.max(0, own.length - MOST) };
      },
      { leftOut: isOf },
    ),
    restorationsPage('open', named, 0, TO_CHOOSE),
    titlesOf(machine ? [machine] : []),
    saidOf(),
  ]);
  const [first] = found.restorations;
  if (named && first && found.all === 1) redirect(`/plan/tasks?machine=${first.id}`);
  // The one that is looked at stands first, wherever it is found.
  const machines = new Map([...chosen, ...found.restorations.map(({ id, title }) => [id, title] as const)]);
  return (
    <>
      <PlanHead
        here="/plan/tasks"
        under={plan ? 'Pin one, put it off, give it to somebody, drop it, or add one' : null}
      />
      {plan && (
        <TasksPart
          plan={plan}
          machine={machine}
          more={plan.beyond}
          timeZone={timeZone}
          machines={[...machines].map(([value, label]) => ({ value, label }))}
          choice={{ named, all: found.all, isShort: found.all > found.restorations.length }}
          {...said}
        />
      )}
    </>
  );
}
