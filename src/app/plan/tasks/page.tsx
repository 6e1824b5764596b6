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

/** Every task of the plan, and what was said of it. */
export default async function TasksPage() {
  await needsEntered();
  seeToThePlan();
  const { timeZone } = await getWorkshop();
  const [plan, machines, said] = await Promise.all([shownPlan(timeZone), openRestorations(), saidOf()]);
  return (
    <>
      <PlanHead
        here="/plan/tasks"
        under={plan ? 'Pin one, put it off, give it to somebody, drop it, or add one' : null}
      />
      {plan && (
        <TasksPart
          plan={plan}
          timeZone={timeZone}
          machines={machines.map(({ id, title }) => ({ value: id, label: title }))}
          {...said}
        />
      )}
    </>
  );
}
