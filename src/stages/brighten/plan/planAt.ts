import type { SchoolId } from '@/core/session/schools';
import { toLocalField } from '@/core/runsheet/time';
import { wayAsked } from '../atHand';
import type { ViewProps } from '../BrightenStage';
import { cloudOver, firstSchool, leftOf, nextWindow } from './nextWindow';
import { benchOf, waysFor, type Bench, type WaysView } from '../ways/ways';

/** When and under which sky the next session of a piece would begin. */
export interface PlanAt {
  bench: Bench;
  ways: WaysView | null;
  school: SchoolId;
  window: { from: string; to: string } | null;
  /** It begins at once. */
  fromNow: boolean;
  /** As a time of a form, in the workshop's zone. */
  opens: string;
  minutes: number | null;
  cloudPercent: number;
}

/** Where a plan begins: with the way that was asked for or goes, in the window that is planned or comes next. */
export async function planAt({ at, asked, sky, now }: ViewProps): Promise<PlanAt> {
  const { piece, history, past, workshop, coming } = at;
  const bench = await benchOf(workshop);
  const ways = await waysFor(piece, history, past, sky, asked.by ?? null, now, bench);
  const going = history.treatments.find(({ endedAt }) => endedAt === null)?.school;
  const school = wayAsked(asked) ?? coming?.school ?? firstSchool(going, workshop.latitude !== null);
  const window = coming?.school === school ? leftOf(coming, now) : nextWindow(ways, school, now);
  const begins = window && Date.parse(window.from) > now.getTime() ? window.from : null;
  return {
    bench,
    ways,
    school,
    window,
    fromNow: begins === null,
    opens: toLocalField(begins ?? now.toISOString(), workshop.timeZone),
    minutes: window && Math.round((Date.parse(window.to) - Date.parse(window.from)) / 60_000),
    cloudPercent: cloudOver(ways, window, now),
  };
}
