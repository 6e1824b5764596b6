import { BenchTimers } from '@/bench/BenchTimers';
import { NextStepList } from '@/bench/NextStepList';
import { nextSteps } from '@/bench/nextSteps';
import { dayAround, showTime } from '@/core/runsheet/time';
import { sunDay, type SunDay } from '@/core/sun/day';
import { runningTimers } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';
import { DaySun } from '@/ui/DaySun';
import { Halves } from '@/ui/Wide';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { LinkButton } from '@/ui/links';

/** UV index from which a sunny session is worth the setting up. */
const WORTH_UVI = 2;

function sunWords(day: SunDay, timeZone: string): string {
  if (day.kind === 'polar night') return 'The sun does not rise today.';
  const good = day.samples.filter(({ uvIndex }) => uvIndex >= WORTH_UVI);
  const highest = `UV index up to ${day.highestUvIndex.toFixed(1)} under a clear sky.`;
  if (good.length === 0) return `${highest} Too weak for a sunny session; think of a lamp or vapour.`;
  const hour = (iso: string) => showTime(iso, timeZone, 'HH:mm');
  return `${highest} Worth putting plastic out from ${hour(good[0]!.time)} to ${hour(good[good.length - 1]!.time)}.`;
}

/** Bench: what runs, what is due, what hands can do now, what the sun allows. */
export default async function BenchPage() {
  const now = new Date();
  const [workshop, timers, steps] = await Promise.all([getWorkshop(), runningTimers(), nextSteps()]);
  const { latitude, longitude, altitudeM, timeZone } = workshop;
  const { start, hours } = dayAround(now, timeZone);
  const day = latitude === null || longitude === null ? null : sunDay({ latitude, longitude, altitudeM }, start, hours);
  return (
    <>
      <ScreenHead title={showTime(now.toISOString(), timeZone, 'EEEE d MMMM')} under={`${workshop.name}. ${day ? sunWords(day, timeZone) : ''}`} />
      {day ? (
        <div style={{ marginBottom: 28 }}>
          <DaySun
            samples={day.samples}
            timeZone={timeZone}
            now={now.toISOString()}
            height={150}
            bars={timers
              // What is planned for another day does not run through this one.
              .filter(({ dueAt }) => Date.parse(dueAt) <= start.getTime() + hours * 3_600_000)
              .map(({ label, startedAt, dueAt }) => ({ label: label.split(':')[0]!, from: startedAt, to: dueAt }))}
          />
        </div>
      ) : (
        <EmptyPlace action={<LinkButton href="/workshop">Set the place</LinkButton>}>
          Say where the workshop stands, and the sun’s course and UV index show here.
        </EmptyPlace>
      )}
      <Halves
        left={
          <Part title="Running">
            <BenchTimers timers={timers} />
          </Part>
        }
        right={
          <Part title="Hands can do now">
            {steps.length > 0 ? (
              <NextStepList steps={steps} />
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
