import type { Metadata } from 'next';
import { PlanHead } from '@/bench/PlanHead';
import { saidOf } from '@/bench/said';
import { shownPlan } from '@/bench/plan';
import { TasksPart } from '@/bench/TasksPart';
import { openRestorations } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { needsEntered } from '@/edge/entered';
import { seeToThePlan } from '../../planner';

export const metadata: Metadata = { title: 'All tasks, bench' };

/** So many tasks stand on the page; one machine’s are seldom more. */
const MOST = 100;

interface Props {
  searchParams: Promise<{ machine?: string }>;
}

/** Every task of the plan, and what was said of it. */
export default async function TasksPage({ searchParams }: Props) {
  await needsEntered();
  const machine = (await searchParams).machine ?? '';
  seeToThePlan();
  const { timeZone } = await getWorkshop();
  const isOf = (about: { machine: string | null }) => machine === '' || about.machine === machine;
  const [plan, machines, said] = await Promise.all([
    shownPlan(
      timeZone,
      (tasks) => {
        const own = tasks.filter(isOf);
        return { tasks: own.slice(0, MOST), beyond: Math.max(0, own.length - MOST) };
      },
      { leftOut: isOf },
    ),
    openRestorations(),
    saidOf(),
  ]);
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
          machines={machines.map(({ id, title }) => ({ value: id, label: title }))}
          {...said}
        />
      )}
    </>
  );
}
