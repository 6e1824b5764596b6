import type { Metadata } from 'next';
import { PlanHead } from '@/bench/PlanHead';
import { ReadyPart } from '@/bench/ReadyPart';
import { noTask, shownPlan } from '@/bench/plan';
import { playedWords } from '@/bench/planWords';
import { assumedLine } from '@/core/assumptions/assumptions';
import { planThatStands } from '@/data/plans';
import { getWorkshop } from '@/data/workshop';
import { needsEntered } from '@/edge/entered';
import { pageAsked } from '@/edge/page';
import { OtherPages } from '@/ui/links';
import { Worked } from '@/ui/Worked';
import { seeToThePlan } from '../../planner';

export const metadata: Metadata = { title: 'Ready when, bench' };

/** So many machines stand on a page. */
const SIZE = 20;

/** When each machine is ready, with its odds; those that are ready first come first. */
export default async function ReadyPage({ searchParams }: { searchParams: Promise<{ page?: string }> }) {
  await needsEntered();
  seeToThePlan();
  const { timeZone } = await getWorkshop();
  const machines = (await planThatStands())?.plan.ready.length ?? 0;
  const page = pageAsked((await searchParams).page, Math.max(0, Math.ceil(machines / SIZE) - 1));
  const plan = await shownPlan(timeZone, noTask, { ready: { from: SIZE * page, count: SIZE } });
  return (
    <>
      <PlanHead here="/plan/ready" under={plan ? 'A range with its odds: no single day is promised' : null} />
      {plan && (
        <>
          <ReadyPart ready={plan.ready} played={playedWords(plan.runs)} timeZone={timeZone} />
          <OtherPages
            of="Other machines"
            back={page > 0 ? { href: `/plan/ready?page=${page - 1}`, words: 'Those ready sooner' } : null}
            on={
              SIZE * (page + 1) < plan.machines
                ? { href: `/plan/ready?page=${page + 1}`, words: 'Those ready later' }
                : null
            }
          />
          <Worked
            lines={[
              assumedLine([
                'spread of hands work',
                'spread between workshops',
                'somebody is not there',
                'sun that does not come',
                'a pass that has to be done again',
                'a session more than foretold',
              ]),
            ]}
            source="The plan in its order, laid anew as often as is said above, with lengths and failures drawn from their spreads."
          />
        </>
      )}
    </>
  );
}
