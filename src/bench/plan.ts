import { taskPlace, taskWords } from '@/core/schedule/taskWords';
import type { KeptPlan, KeptTask } from '@/core/schedule/kept';
import type { PlaceName } from '@/core/schedule/facts/facts';
import type { TaskKind } from '@/core/schedule/facts/tasks';
import { HANDS } from '@/core/schedule/bench';
import { dayAround } from '@/core/runsheet/time';
import { sunDay, type SunSample } from '@/core/sun/day';
import { cloudAt, type SkySource } from '@/core/session/sessions';
import { findPieces } from '@/data/pieces';
import { planThatStands } from '@/data/plans';
import { titlesOf } from '@/data/restorations';
import type { TaskRunRow, Workshop } from '@/data/rows';
import { findRows } from '@/data/table';
import { placeOf } from '@/data/workshop';
import { dayName } from '@/work/plan/facts';
import { runsNow } from '@/work/plan/said';
import type { CalendarTask } from '@/workers/planCalendar';
import { machinesOf, movedWords, noPlaceOf } from './planWords';

/** A task as a screen shows it. */
export interface ShownTask extends CalendarTask {
  machine: string | null;
  place: PlaceName | null;
  kind: TaskKind;
  /** Since when hands are at it. */
  begunAt: string | null;
}

export interface ShownPlan {
  number: number;
  at: string;
  tasks: ShownTask[];
  /** What moved, in a sentence; `null` where nothing did. */
  moved: { words: string; tasks: { words: string; from: string; to: string }[] } | null;
  /** The first of what finds no moment, where it is asked for, each with how many more find none because of it. */
  leftOut: { id: string; words: string; title: string; why: string; waiting: number }[];
  /** How many more find none. */
  moreLeftOut: number;
  /** The first of what cannot be at the time that was set for it, where it is asked for; and how many more cannot. */
  unpinned: string[];
  moreUnpinned: number;
  /** The machines that are asked for, those that are ready first before the others. */
  ready: (KeptPlan['ready'][number] & { title: string })[];
  /** How many machines there are. */
  machines: number;
  /** How often it was played through for that; `null` where nobody knows. */
  runs: number | null;
  people: { id: string; name: string }[];
}

/** Of all tasks, in the order of the plan, those that somebody looks at; and what is to be said of the others. */
export type Wanted<Beyond> = (tasks: readonly PlannedTask[]) => {
  tasks: readonly PlannedTask[];
  beyond: Beyond;
};

export const everyTask: Wanted<null> = (tasks) => ({ tasks, beyond: null });
export const noTask: Wanted<null> = () => ({ tasks: [], beyond: null });

/** A task of the plan with what it is about beside it. */
type PlannedTask = KeptTask & Pick<KeptTask['about'], 'machine' | 'hands' | 'place' | 'kind'>;

const FIRST_HANDS = 6;
/** So many moves are told one by one. */
const MOVED_SHOWN = 40;
/** So many tasks that find no moment are told with the reason. */
const LEFT_OUT_SHOWN = 6;

/** What a screen shows of the plan beside its tasks. */
interface Beside {
  /** Of which tasks it says that they find no moment. */
  leftOut?: (about: KeptTask['about']) => boolean;
  /** Of which machines it says when they are ready, the soonest first. */
  ready?: { from?: number; count: number };
  /** Whether it shows what hands are at, wherever that stands; else only what it asked for, as it stands there. */
  inHand?: boolean;
}

/** The first that hands do, whenever that is. */
export function firstForHands(tasks: readonly PlannedTask[]): PlannedTask[] {
  const first: PlannedTask[] = [];
  for (const task of tasks) {
    if (first.length === FIRST_HANDS) break;
    if (task.hands) first.push(task);
  }
  return first;
}

/** The plan that stands, with names; `null` before the first. Of a large one only what is looked at is named. */
export async function shownPlan<Beyond>(
  timeZone: string,
  wanted: Wanted<Beyond>,
  { leftOut, ready: { from = 0, count } = { count: 0 }, inHand = true }: Beside = {},
): Promise<(ShownPlan & { beyond: Beyond }) | null> {
  const [stands, people, runs] = await Promise.all([planThatStands(), findRows('people'), runsNow()]);
  if (!stands) return null;
  const { plan, number, at } = stands;
  const running = new Set(runs.map(({ task }) => task));
  const { planned, places, heads, soonest } = readOnce(plan);
  const inOrder = (ids: readonly string[]): PlannedTask[] =>
    [...new Set(ids.flatMap((id) => places.get(id) ?? []))].sort((a, b) => a - b).map((place) => planned[place]!);
  const dates = soonest.slice(from, from + count);
  const { tasks: chosen, beyond } = wanted(planned);
  const tasks = inHand ? inOrder([...chosen.map(({ id }) => id), ...running]) : chosen;
  const lost = leftOut ? heads().filter(({ about }) => leftOut(about)) : [];
  const told = lost.slice(0, LEFT_OUT_SHOWN);
  const unpinned = new Set(leftOut ? plan.unpinned : []);
  const loose =
    unpinned.size > 0
      ? [...plan.tasks, ...plan.leftOut].filter(({ id, about }) => unpinned.has(id) && leftOut!(about))
      : [];
  const abouts = [...tasks, ...told, ...loose.slice(0, LEFT_OUT_SHOWN)].map(({ about }) => about);
  const [titles, pieces] = await Promise.all([
    titlesOf([
      ...dates.map(({ machine }) => machine),
      ...(plan.moved ? machinesOf(plan.moved) : []),
      ...abouts.flatMap(({ machine }) => machine ?? []),
    ]),
    findPieces([...new Set(abouts.flatMap(({ pieceId }) => pieceId ?? []))]),
  ]);
  const tags = new Map(pieces.map(({ id, tag }) => [id, tag]));
  const names = new Map(people.map(({ id, name }) => [`${HANDS}${id}`, name]));
  const titleOf = ({ machine }: KeptTask['about']) => (machine === null ? '' : (titles.get(machine) ?? ''));
  const withTag = (about: KeptTask['about']) =>
    [about.pieceId === null ? null : tags.get(about.pieceId), taskWords(about)].filter(Boolean).join(' ');
  const shown = ({ id, from, to, who, about, pinned }: KeptTask): ShownTask => ({
    ...{ id, from, to, pinned, machine: about.machine, hands: about.hands, place: about.place, kind: about.kind },
    words: taskWords(about),
    title: titleOf(about),
    tag: about.pieceId === null ? null : (tags.get(about.pieceId) ?? null),
    who: who === null ? null : (names.get(who) ?? null),
    href: taskPlace(about),
    begunAt: begun(runs, id),
  });
  // Made when it is first asked: a workshop of many years plans thousands of tasks.
  let byId: Map<string, { about: KeptTask['about'] }> | undefined;
  const wordsOf = (id: string): string => {
    byId ??= new Map([...plan.leftOut, ...plan.tasks].map((task) => [task.id, task]));
    const one = byId.get(id);
    return one ? taskWords(one.about) : 'something that is done';
  };
  return {
    ...{ number, at, beyond },
    tasks: tasks.map(shown),
    moved: plan.moved && {
      words: movedWords(plan.moved, titles, timeZone),
      tasks: plan.moved.tasks
        .slice(0, MOVED_SHOWN)
        .map(({ about, from, to }) => ({ words: taskWords(about), from, to })),
    },
    moreLeftOut: lost.slice(LEFT_OUT_SHOWN).reduce((sum, { waiting }) => sum + 1 + waiting, 0),
    leftOut: told.map(({ id, about, why, waiting }) => ({
      ...{ id, waiting },
      words: withTag(about),
      title: titleOf(about),
      why: noPlaceOf(id, why, wordsOf),
    })),
    moreUnpinned: Math.max(0, loose.length - LEFT_OUT_SHOWN),
    unpinned: loose
      .slice(0, LEFT_OUT_SHOWN)
      .map(({ about }) => [withTag(about), titleOf(about)].filter(Boolean).join(', ')),
    machines: soonest.length,
    runs: plan.runs ?? null,
    ready: dates.map((one) => ({ ...one, title: titles.get(one.machine) ?? '' })),
    people: people.map(({ id, name }) => ({ id, name })),
  };
}

type Lost = KeptPlan['leftOut'][number];

/** Something that finds no moment by itself, with how many of the same machine find none because of it. */
type Head = Lost & { waiting: number };

/** Another task that one finds no moment because of; `null` where it finds none by itself. */
const causeOf = ({ why }: Lost): string | null =>
  why.kind === 'waits' ? why.for : why.kind === 'falls' ? why.with : null;

/** What waits for another machine, or for something that is over, stands for itself. */
function headsOf(leftOut: KeptPlan['leftOut']): Head[] {
  const lost = new Map(leftOut.map((one) => [one.id, one]));
  const heads = new Map<Lost, number>();
  for (const one of leftOut) {
    let head = one;
    for (let steps = 0; steps < lost.size; steps++) {
      const next = lost.get(causeOf(head) ?? '');
      if (!next || next.about.machine !== one.about.machine) break;
      head = next;
    }
    heads.set(head, (heads.get(head) ?? -1) + 1);
  }
  return [...heads].map(([head, waiting]) => ({ ...head, waiting }));
}

interface ReadPlan {
  planned: readonly PlannedTask[];
  /** Where each task stands among them. */
  places: ReadonlyMap<string, number>;
  /** Machines, those that are ready first before the others. */
  soonest: readonly KeptPlan['ready'][number][];
  /** Worked out when it is first asked. */
  heads: () => readonly Head[];
}

/** What every page reads of a plan, read once for each: a large one has thousands of tasks. */
const read = new WeakMap<KeptPlan, ReadPlan>();

function readOnce(plan: KeptPlan): ReadPlan {
  const known = read.get(plan);
  if (known) return known;
  let heads: readonly Head[] | undefined;
  const made: ReadPlan = {
    planned: plan.tasks.map((task) => {
      const { machine, hands, place, kind } = task.about;
      return { ...task, machine, hands, place, kind };
    }),
    places: new Map(plan.tasks.map(({ id }, place) => [id, place])),
    soonest: plan.ready.toSorted((a, b) => a.planned.localeCompare(b.planned)),
    heads: () => (heads ??= headsOf(plan.leftOut)),
  };
  read.set(plan, made);
  return made;
}

const begun = (runs: readonly TaskRunRow[], id: string) => runs.find(({ task }) => task === id)?.startedAt ?? null;

/** What hands do now, and next: what they are at, else the first that the plan has for them. */
export function handsOf(tasks: readonly ShownTask[]): { now: ShownTask | null; next: ShownTask[] } {
  const inHand = tasks.filter(({ hands }) => hands);
  const now = inHand.find(({ begunAt }) => begunAt !== null) ?? inHand[0] ?? null;
  return { now, next: inHand.filter((task) => task !== now).slice(0, 4) };
}

/** A day of the strip: its sun, and its first and last instant. */
export interface ShownDay {
  /** As `2026-06-21`. */
  day: string;
  start: string;
  end: string;
  samples: SunSample[];
  clouds: { at: string; cloud: number; own: boolean }[];
}

/** A day of the workshop with its sun and cloud; without a place it has neither. */
export async function shownDay(workshop: Workshop, within: Date, sky: SkySource): Promise<ShownDay> {
  const { start, hours } = dayAround(within, workshop.timeZone);
  const place = placeOf(workshop);
  const clouds = place ? await sky(place, start, hours) : [];
  return {
    day: dayName(start, workshop.timeZone),
    start: start.toISOString(),
    end: new Date(start.getTime() + hours * 3_600_000).toISOString(),
    samples: place ? sunDay(place, start, hours, (at) => cloudAt(clouds, at)).samples : [],
    clouds: clouds.map(({ at, cloud, own = false }) => ({ at: at.toISOString(), cloud, own })),
  };
}
