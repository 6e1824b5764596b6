import ical, { ICalAlarmType, ICalEventTransparency } from 'ical-generator';

const MINUTE_MS = 60_000;
/** A bell before hands begin, and at the end of what only waits. */
const BEFORE_S = 10 * 60;

/** A task of the plan as a calendar tells it; all moments as ISO. */
export interface CalendarTask {
  id: string;
  kind: string;
  words: string;
  title: string;
  tag: string | null;
  from: string;
  to: string;
  who: string | null;
  hands: boolean;
  pinned: boolean;
  href: string | null;
}

export interface CalendarGiven {
  /** The plan; `null` before the first. */
  plan: { at: string; tasks: readonly CalendarTask[] } | null;
  /** Of the workshop. */
  name: string;
  timeZone: string;
  /** Where Kvell is reached. */
  origin: string;
}

/** Times of a calendar are in UTC; the zone that they are meant in is named, and every program shows its own. */
export function planCalendar({ plan, name, timeZone, origin }: CalendarGiven): string {
  const calendar = ical({ name: `${name}: bench`, timezone: null });
  calendar.x('X-WR-TIMEZONE', timeZone);
  for (const task of plan?.tasks ?? []) {
    if (task.kind === 'answer') continue;
    const event = calendar.createEvent({
      id: `${task.id.replaceAll(/[^A-Za-z0-9.-]/g, '-')}@kvell`,
      start: new Date(task.from),
      end: new Date(Math.max(Date.parse(task.to), Date.parse(task.from) + MINUTE_MS)),
      stamp: new Date(plan!.at),
      summary: [task.tag, task.words].filter(Boolean).join(' '),
      description: [task.title, task.who, task.pinned ? 'pinned' : ''].filter(Boolean).join(', '),
      ...(task.href && { url: `${origin}${task.href}` }),
      // What waits by itself keeps nobody busy.
      transparency: task.hands ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
    });
    event.createAlarm(
      task.hands
        ? { type: ICalAlarmType.display, trigger: BEFORE_S, description: task.words }
        : {
            type: ICalAlarmType.display,
            triggerAfter: 0,
            relatesTo: 'END' as never,
            description: `${task.words}: over`,
          },
    );
  }
  return calendar.toString();
}
