import type { Metadata } from 'next';
import { DaysPart } from '@/bench/DaysPart';
import { MovedPart } from '@/bench/MovedPart';
import { PlanHead } from '@/bench/PlanHead';
import { shownDay, shownPlan } from '@/bench/plan';
import { AT_FIRST, firstOfDays } from '@/bench/strip';
import { dayAround } from '@/core/runsheet/time';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { needsEntered } from '@/edge/entered';
import { pageAsked } from '@/edge/page';
import { LinkButton, OtherPages } from '@/ui/links';
import { seeToThePlan } from '../planner';
import { sky } from '../sky';
import { costOfMove } from './cost';

export const metadata: Metadata = { title: 'The days, bench' };

const DAY_MS = 86_400_000;
/** So many days stand on a page. */
const DAYS = 3;
/** So much of them, where all is asked for. */
const ALL: typeof AT_FIRST = { machines: Infinity, tasks: Infinity };
/** A page further than this knows of no plan. */
const MOST_PAGES = 19;

interface Props {
  searchParams: Promise<{ page?: string; whole?: string }>;
}

/** The coming days as strips under the sun. */
export default async function DaysPage({ searchParams }: Props) {
  await needsEntered();
  seeToThePlan();
  const workshop = await getWorkshop();
  const { timeZone } = workshop;
  const asked = await searchParams;
  const page = pageAsked(asked.page, MOST_PAGES);
  const whole = asked.whole === '1';
  const { start } = dayAround(clock(), timeZone);
  const days = await Promise.all(
    // Noon of each day: a day may have 23 or 25 hours.
    Array.from({ length: DAYS }, (_, i) =>
      shownDay(workshop, new Date(start.getTime() + (page * DAYS + i + 0.5) * DAY_MS), sky),
    ),
  );
  const plan = await shownPlan(timeZone, (tasks) => firstOfDays(tasks, days, whole ? ALL : AT_FIRST));
  return (
    <>
      <PlanHead here="/plan" under={plan ? 'What lies where, and what moving it costs' : null} />
      {plan && (
        <>
          <MovedPart number={plan.number} moved={plan.moved} timeZone={timeZone} />
          <DaysPart key={page} plan={plan} {...{ days, timeZone, costOfMove, page, whole, beyond: plan.beyond }} />
          <OtherPages
            of="Other days"
            back={page > 0 ? { href: `/plan?page=${page - 1}`, words: 'Earlier days' } : null}
            on={page < MOST_PAGES ? { href: `/plan?page=${page + 1}`, words: 'Later days' } : null}
          >
            <LinkButton href="/api/plan/day">Today on paper</LinkButton>
            <LinkButton href="/api/plan/week">The week on paper</LinkButton>
          </OtherPages>
        </>
      )}
    </>
  );
}
