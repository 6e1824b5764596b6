import type { ShownDay, ShownTask } from './plan';

const HOUR_MS = 3_600_000;
/** Without anything earlier or later a day is shown from and to here. */
const [MORNING_H, EVENING_H] = [7, 21];

export const ROWS_BY = ['machine', 'place'] as const;
export type RowsBy = (typeof ROWS_BY)[number];

const PLACE_WORDS: Record<string, string> = {
  sink: 'Sink',
  tub: 'Tubs',
  sun: 'Sun',
  lamp: 'Lamp box',
  box: 'Warm box',
  rack: 'Rack',
  clamp: 'Clamps',
  meter: 'Meter',
};

/** What is asked of a task to find its place in a day. */
export type Lying = Pick<ShownTask, 'from' | 'to' | 'machine' | 'hands' | 'place' | 'kind'>;
type Span = Pick<ShownDay, 'start' | 'end'>;

/** Tasks that lie in a day, if only in part; all moments as ISO in UTC, which stand in their order. */
export const inDay = <Task extends Pick<Lying, 'from' | 'to'>>(tasks: readonly Task[], { start, end }: Span): Task[] =>
  tasks.filter(({ from, to }) => from < end && to > start);

/** First and last moment that is drawn: the light hours, and whatever hands do. */
export function shownHours(day: ShownDay, tasks: readonly ShownTask[]): [number, number] {
  const start = Date.parse(day.start);
  const handed = inDay(tasks, day).filter(({ hands, place }) => hands || place === 'sun');
  const first = Math.min(start + MORNING_H * HOUR_MS, ...handed.map(({ from }) => Math.max(start, Date.parse(from))));
  const last = Math.max(
    start + EVENING_H * HOUR_MS,
    ...handed.map(({ to }) => Math.min(Date.parse(day.end), Date.parse(to))),
  );
  return [HOUR_MS * Math.floor(first / HOUR_MS), HOUR_MS * Math.ceil(last / HOUR_MS)];
}

export interface StripRow {
  key: string;
  label: string;
  tasks: ShownTask[];
}

/** Waits for answers and parcels lie under everything: they are told of in the list, and not drawn. */
const drawn = ({ kind }: Pick<Lying, 'kind'>): boolean => kind !== 'answer' && kind !== 'parcel';

/** Rows of a day: a machine each, or what is used each, with hands first. */
export function rowsOf(tasks: readonly ShownTask[], day: Pick<ShownDay, 'start' | 'end'>, by: RowsBy): StripRow[] {
  const rows = new Map<string, StripRow>();
  const put = (key: string, label: string, task: ShownTask) => {
    const row = rows.get(key) ?? { key, label, tasks: [] };
    row.tasks.push(task);
    rows.set(key, row);
  };
  for (const task of inDay(tasks, day).filter(drawn)) {
    if (by === 'machine') put(task.machine ?? '', task.title || 'The workshop', task);
    else {
      if (task.hands) put(`hands ${task.who ?? ''}`, task.who ?? 'Hands', task);
      if (task.place) put(task.place, PLACE_WORDS[task.place]!, task);
    }
  }
  return [...rows.values()].sort((a, b) => Number(b.key.startsWith('hands')) - Number(a.key.startsWith('hands')));
}

/** Which lane each task lies in, so that none lies over another. */
export function lanesOf(tasks: readonly ShownTask[]): { of: Map<string, number>; count: number } {
  const ends: number[] = [];
  const of = new Map<string, number>();
  // What only waits lies below what hands are at.
  const inOrder = [...tasks].sort(
    (a, b) => Number(b.hands) - Number(a.hands) || Date.parse(a.from) - Date.parse(b.from),
  );
  for (const { id, from, to } of inOrder) {
    let lane = ends.findIndex((end) => end <= Date.parse(from));
    if (lane < 0) lane = ends.length;
    ends[lane] = Math.max(ends[lane] ?? 0, Date.parse(to));
    of.set(id, lane);
  }
  return { of, count: ends.length };
}

/** What lies in a day of the machines that come first in it, hands before what waits; and how many machines more there are. */
export function ofFirstMachines<Task extends Lying>(
  tasks: readonly Task[],
  most: number,
): { tasks: Task[]; more: number } {
  const inOrder = tasks.filter(drawn).sort((a, b) => Number(b.hands) - Number(a.hands));
  const machines = [...new Set(inOrder.map(({ machine }) => machine))];
  const shown = new Set(machines.slice(0, most));
  return { tasks: tasks.filter(({ machine }) => shown.has(machine)), more: Math.max(0, machines.length - most) };
}

const byStart = (a: Pick<Lying, 'from'>, b: Pick<Lying, 'from'>) => a.from.localeCompare(b.from);

/** The first of some tasks by their beginning, and how much more there is. */
function firstOf<Task extends Lying>(tasks: readonly Task[], most: number): { tasks: Task[]; more: number } {
  return { tasks: tasks.toSorted(byStart).slice(0, most), more: Math.max(0, tasks.length - most) };
}

/** What hands do in a day and what lies somewhere, the first of it; and how much more there is. */
export const firstAtPlaces = <Task extends Lying>(tasks: readonly Task[], most: number) =>
  firstOf(
    tasks.filter(({ hands, place }) => hands || place !== null),
    most,
  );

/** What hands begin in a day, and what goes into the light: the list of a narrow screen. */
export const firstListed = <Task extends Lying>(tasks: readonly Task[], { start }: Pick<Span, 'start'>, most: number) =>
  firstOf(
    tasks.filter(({ hands, place, from }) => (hands || place === 'sun' || place === 'lamp') && from >= start),
    most,
  );

/** How much of a day is shown before somebody asks for all of it. */
export const AT_FIRST = { machines: 8, tasks: 16 };

/** What a day has beyond what is shown at first. */
export interface Beyond {
  machines: number;
  places: number;
  listed: number;
}

/** What is shown of some days at first, and what each of them has beyond: a large workshop plans hundreds of tasks a day. */
export function firstOfDays<Task extends Lying>(
  tasks: readonly Task[],
  days: readonly Span[],
  most: typeof AT_FIRST = AT_FIRST,
): { tasks: Task[]; beyond: Beyond[] } {
  const parts = days.map((day) => {
    const own = inDay(tasks, day);
    return [
      ofFirstMachines(own, most.machines),
      firstAtPlaces(own, most.tasks),
      firstListed(own, day, most.tasks),
    ] as const;
  });
  return {
    tasks: [...new Set(parts.flatMap((of) => of.flatMap((part) => part.tasks)))],
    beyond: parts.map(([machines, places, listed]) => ({
      ...{ machines: machines.more, places: places.more, listed: listed.more },
    })),
  };
}
