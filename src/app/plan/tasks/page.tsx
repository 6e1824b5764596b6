import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { PlanHead } from '@/bench/PlanHead';
import { saidOf } from '@/bench/said';
import { shownPlan } from '@/bench/plan';
import { TasksPart } from '@/bench/TasksPart';
import { restorationsPage, titlesOf } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { needsEntered } from '@/edge/entered';
import { pageAsked } from '@/edge/page';
import { OtherPages } from '@/ui/links';
import { seeToThePlan } from '../../planner';

export const metadata: Metadata = { title: 'All tasks, bench' };

/** So many tasks stand on a page. */
const SIZE = 50;
/** So many machines are there to choose from, those that were worked on last; the others are looked for by name. */
const TO_CHOOSE = 40;

interface Props {
  searchParams: Promise<{ machine?: string; named?: string; page?: string }>;
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
        const own = machine === '' ? tasks : tasks.filter(isOf);
        const page = pageAsked(asked.page, Math.max(0, Math.ceil(own.length / SIZE) - 1));
        return { tasks: own.slice(SIZE * page, SIZE * (page + 1)), beyond: { page, all: own.length } };
      },
      { leftOut: isOf, inHand: false },
    ),
    restorationsPage('open', named, 0, TO_CHOOSE),
    titlesOf(machine ? [machine] : []),
    saidOf(),
  ]);
  const [first] = found.restorations;
  if (named && first && found.all === 1) redirect(`/plan/tasks?machine=${first.id}`);
  // The one that is looked at stands first, wherever it is found.
  const machines = new Map([...chosen, ...found.restorations.map(({ id, title }) => [id, title] as const)]);
  const pageAt = (page: number) =>
    `/plan/tasks?${new URLSearchParams({ ...(machine && { machine }), page: String(page) }).toString()}`;
  const { page, all } = plan?.beyond ?? { page: 0, all: 0 };
  return (
    <>
      <PlanHead
        here="/plan/tasks"
        under={plan ? 'Pin one, put it off, give it to somebody, drop it, or add one' : null}
      />
      {plan && (
        <TasksPart
          key={`${machine} ${page}`}
          plan={plan}
          machine={machine}
          before={SIZE * page}
          of={all}
          timeZone={timeZone}
          machines={[...machines].map(([value, label]) => ({ value, label }))}
          choice={{ named, all: found.all, isShort: found.all > found.restorations.length }}
          {...said}
        >
          <OtherPages
            of="Other tasks"
            back={page > 0 ? { href: pageAt(page - 1), words: 'Tasks that come sooner' } : null}
            on={SIZE * (page + 1) < all ? { href: pageAt(page + 1), words: 'Tasks that come later' } : null}
          />
        </TasksPart>
      )}
    </>
  );
}
