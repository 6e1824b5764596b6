import { Text } from '@chakra-ui/react';
import { needsEntered } from '@/edge/entered';
import { BenchTimers } from '@/bench/BenchTimers';
import { DayStrip } from '@/bench/DayStrip';
import { MovedPart } from '@/bench/MovedPart';
import { NowPart } from '@/bench/NowPart';
import { PlanViews } from '@/bench/PlanViews';
import { firstForHands, handsOf, shownDay, shownPlan } from '@/bench/plan';
import { inDay, ofFirstMachines } from '@/bench/strip';
import { NextStepList } from '@/bench/NextStepList';
import { nextSteps } from '@/bench/nextSteps';
import { sunToday } from '@/bench/sunToday';
import { openOnBench, thingsOnBench } from '@/bench/things';
import { showTime } from '@/core/runsheet/time';
import { nextTimers } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { LaterSkyPart } from '@/stages/brighten/laterParts';
import { Fold } from '@/ui/Fold';
import { Halves } from '@/ui/Wide';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { Worked } from '@/ui/Worked';
import { backupLagDays, TOO_OLD_DAYS } from '@/work/keeping/keeping';
import { seeToThePlan } from './planner';
import { sky } from './sky';

/** So many bells are shown at once, the next first. */
const TIMERS = 3;
/** So many, where all are asked for. */
const ALL_TIMERS = 200;
/** So many machines have a row in the strip of today. */
const ROWS = 6;

/** Bench: what runs, what is due, what hands can do now, what the sun allows. */
export default async function BenchPage({ searchParams }: { searchParams: Promise<{ bells?: string }> }) {
  await needsEntered();
  const { bells } = await searchParams;
  const now = clock();
  seeToThePlan();
  const open = openOnBench();
  const [workshop, { timers, more: moreTimers }, { steps, more }, things, lag] = await Promise.all([
    getWorkshop(),
    nextTimers(bells === 'all' ? ALL_TIMERS : TIMERS),
    nextSteps(now, open),
    thingsOnBench(open),
    backupLagDays(now),
  ]);
  const { timeZone } = workshop;
  const day = await shownDay(workshop, now, sky);
  const [sun, plan] = await Promise.all([
    sunToday(workshop, timers, sky, now),
    shownPlan(timeZone, (tasks) => {
      const today = ofFirstMachines(inDay(tasks, day), ROWS);
      return { tasks: [...today.tasks, ...firstForHands(tasks)], beyond: today.more };
    }),
  ]);
  const hands = handsOf(plan?.tasks ?? []);
  const unpowered = [...new Set(steps.filter((step) => step.unpowered).map(({ restoration }) => restoration))];
  const moreMachines = plan?.beyond ?? 0;
  const today = ofFirstMachines(inDay(plan?.tasks ?? [], day), ROWS).tasks;
  return (
    <>
      <ScreenHead
        title={showTime(now.toISOString(), timeZone, 'EEEE d MMMM')}
        under={`${workshop.name}. ${sun?.words ?? ''}`}
      />
      {lag !== null && lag >= TOO_OLD_DAYS && (
        <Text borderLeftWidth="8px" borderColor="hazard" pl="3" mb="6" role="status">
          {`What was written in the last ${Math.floor(lag)} days is in no backup. `}
          <TextLink href="/workshop/backup">Back it up</TextLink>
        </Text>
      )}
      <PlanViews here="/" />
      {plan && <MovedPart number={plan.number} moved={plan.moved} timeZone={timeZone} />}
      <Halves
        left={
          <>
            <Part title="Now">
              {hands.now ? (
                <NowPart
                  key={hands.now.id}
                  now={hands.now}
                  next={hands.next}
                  timeZone={timeZone}
                  at={now.toISOString()}
                />
              ) : (
                <EmptyPlace
                  action={
                    <LinkButton href="/restorations/new" look="go" bench>
                      Open a restoration
                    </LinkButton>
                  }
                >
                  {steps.length > 0
                    ? 'The plan is being made. It shows here in a moment, without loading the page again.'
                    : 'Nothing is open. Begin with the machine in front of you: what it is, where it came from, how it looks.'}
                </EmptyPlace>
              )}
            </Part>
            {steps.length > 0 &&
              (hands.now ? (
                <>
                  {/* What must not be done stands open, whatever is folded away. */}
                  {unpowered.map((title) => (
                    <Text key={title} color="hazard" fontWeight="700">
                      {title}: Do not switch it on.
                    </Text>
                  ))}
                  <Fold summary="What each machine waits for">
                    <NextStepList steps={steps} more={more} isMain={false} />
                  </Fold>
                </>
              ) : (
                <NextStepList steps={steps} more={more} isMain />
              ))}
          </>
        }
        right={
          <Part title="Running and planned">
            <BenchTimers timers={timers} more={moreTimers} things={things} />
          </Part>
        }
      />
      {sun ? (
        <Part title="Today">
          <DayStrip day={day} tasks={today} timeZone={timeZone} by="machine" />
          {moreMachines > 0 && (
            <TextLink href="/plan">{`${moreMachines} more machines have something planned today`}</TextLink>
          )}
          <Worked
            lines={sun.working}
            source="Clear sky after Madronich (2007), cloud after Kasten and Czeplak (1980); the sky is your own look or file, else invented."
            sum={{ name: 'sun-and-uv', title: 'sun and UV' }}
          />
          <Fold summary="How does the sky look?">
            <LaterSkyPart place={sun.place} timeZone={timeZone} />
          </Fold>
        </Part>
      ) : (
        <EmptyPlace action={<LinkButton href="/workshop">Set the place</LinkButton>}>
          Say where the workshop stands, and the sun’s course and UV index show here.
        </EmptyPlace>
      )}
    </>
  );
}
