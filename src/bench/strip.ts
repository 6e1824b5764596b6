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

/** Tasks that lie in a day, if only in part. */
export const inDay = (tasks: readonly ShownTask[], { start, end }: Pick<ShownDay, 'start' | 'end'>): ShownTask[] =>
  tasks.filter(({ from, to }) => Date.parse(from) < Date.parse(end) && Date.parse(to) > Date.parse(start));

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
const drawn = ({ kind }: ShownTask): boolean => kind !== 'answer' && kind !== 'parcel';

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
export function ofFirstMachines(tasks: readonly ShownTask[], most: number): { tasks: ShownTask[]; more: number } {
  const inOrder = [...tasks].filter(drawn).sort((a, b) => Number(b.hands) - Number(a.hands));
  const machines = [...new Set(inOrder.map(({ machine }) => machine))];
  const shown = new Set(machines.slice(0, most));
  return { tasks: tasks.filter(({ machine }) => shown.has(machine)), more: Math.max(0, machines.length - most) };
}
