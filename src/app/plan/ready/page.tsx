import type { Metadata } from 'next';
import { PlanHead } from '@/bench/PlanHead';
import { ReadyPart } from '@/bench/ReadyPart';
import { shownPlan } from '@/bench/plan';
import { assumedLine } from '@/core/assumptions/assumptions';
import { getWorkshop } from '@/data/workshop';
import { needsEntered } from '@/edge/entered';
import { Worked } from '@/ui/Worked';
import { seeToThePlan } from '../../planner';

export const metadata: Metadata = { title: 'Ready when, bench' };

/** When each machine is ready, with its odds. */
export default async function ReadyPage() {
  await needsEntered();
  seeToThePlan();
  const { timeZone } = await getWorkshop();
  const plan = await shownPlan(timeZone);
  return (
    <>
      <PlanHead here="/plan/ready" under={plan ? 'A range with its odds: no single day is promised' : null} />
      {plan && (
        <>
          <ReadyPart ready={plan.ready} timeZone={timeZone} />
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
            source="The plan in its order, laid anew two hundred times with lengths and failures drawn from their spreads."
          />
        </>
      )}
    </>
  );
}
