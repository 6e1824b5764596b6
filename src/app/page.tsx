import { needsEntered } from '@/edge/entered';
import { BenchTimers } from '@/bench/BenchTimers';
import { NextStepList } from '@/bench/NextStepList';
import { nextSteps } from '@/bench/nextSteps';
import { sunToday } from '@/bench/sunToday';
import { thingsOnBench } from '@/bench/things';
import { showTime } from '@/core/runsheet/time';
import { nextTimers } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { LaterSkyPart } from '@/stages/brighten/laterParts';
import { DaySun } from '@/ui/DaySun';
import { Fold } from '@/ui/Fold';
import { Halves } from '@/ui/Wide';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { Worked } from '@/ui/Worked';
import { sky } from './sky';

/** So many bells are shown at once, the next first. */
const TIMERS = 12;

/** Bench: what runs, what is due, what hands can do now, what the sun allows. */
export default async function BenchPage() {
  await needsEntered();
  const now = clock();
  const [workshop, { timers, more: moreTimers }, { steps, more }, things] = await Promise.all([
    getWorkshop(),
    nextTimers(TIMERS),
    nextSteps(now),
    thingsOnBench(),
  ]);
  const { timeZone } = workshop;
  const sun = await sunToday(workshop, timers, sky, now);
  return (
    <>
      <ScreenHead
        title={showTime(now.toISOString(), timeZone, 'EEEE d MMMM')}
        under={`${workshop.name}. ${sun?.words ?? ''}`}
      />
      {sun ? (
        <div style={{ marginBottom: 28 }}>
          <DaySun
            samples={sun.day.samples}
            timeZone={timeZone}
            now={now.toISOString()}
            height={150}
            bars={sun.bars}
            worth={sun.worth}
          />
          <Worked
            lines={sun.working}
            source="Clear sky after Madronich (2007), cloud after Kasten and Czeplak (1980); the sky is your own look or file, else invented."
            sum={{ name: 'sun-and-uv', title: 'sun and UV' }}
          />
          <Fold summary="How does the sky look?">
            <LaterSkyPart place={sun.place} timeZone={timeZone} />
          </Fold>
        </div>
      ) : (
        <EmptyPlace action={<LinkButton href="/workshop">Set the place</LinkButton>}>
          Say where the workshop stands, and the sun’s course and UV index show here.
        </EmptyPlace>
      )}
      <Halves
        left={
          <Part title="Running and planned">
            <BenchTimers timers={timers} more={moreTimers} things={things} />
          </Part>
        }
        right={
          <Part title="Ready to do">
            {steps.length > 0 ? (
              <NextStepList steps={steps} more={more} />
            ) : (
              <EmptyPlace
                action={
                  <LinkButton href="/restorations/new" look="go" bench>
                    Open a restoration
                  </LinkButton>
                }
              >
                Nothing is open. Begin with the machine in front of you: what it is, where it came from, how it looks.
              </EmptyPlace>
            )}
          </Part>
        }
      />
    </>
  );
}
