import { generator } from './search';
import type { Interval, Problem, Task } from './problem';

/** Minutes of the grid that a made-up workshop lives on: an exact solver counts in these. */
export const GRID = 15;
const DAY = 96;

/**
 * A workshop that was made up: hands with their hours, a sink, two tubs, sun by day; washes that dry, glue that cures, coats
 * within their time, exposures in windows. There always is a plan.
 *
 * @param days so many days there are hours
 */
export function someProblem(seed: number, count: number, days = 12): Problem {
  const random = generator(seed);
  const whole = (low: number, high: number) => low + Math.floor((high - low + 1) * random());
  const minutes = (interval: readonly [number, number]): Interval => [GRID * interval[0], GRID * interval[1]];
  const hands = Array.from({ length: days }, (_, day): Interval => {
    const from = day * DAY + whole(30, 40);
    return minutes([from, from + whole(20, 34)]);
  });
  const sun = Array.from({ length: days }, (_, day): Interval =>
    minutes([day * DAY + whole(36, 42), day * DAY + whole(56, 66)]),
  );
  const resources = [
    { id: 'hands', capacity: whole(1, 2), available: hands },
    { id: 'sink', capacity: 1 },
    { id: 'tub', capacity: 2 },
    { id: 'sun', capacity: 2, available: sun },
  ];
  const tasks: Task[] = [];
  const add = (name: string, task: Omit<Task, 'id'>): string => {
    const id = `${name} ${tasks.length + 1}`;
    tasks.push({ id, ...task });
    return id;
  };
  while (tasks.length < count) {
    const before =
      tasks.length > 0 && random() < 0.3 ? [{ task: tasks[whole(0, tasks.length - 1)]!.id, minLag: 0 }] : [];
    const kind = whole(0, 4);
    if (kind === 0) {
      const wash = add('wash', { duration: GRID * whole(1, 6), uses: { hands: 1, sink: 1 }, after: before });
      if (tasks.length < count)
        add('dry', { duration: GRID * whole(8, 40), uses: {}, after: [{ task: wash, minLag: 0 }] });
    } else if (kind === 1) {
      const glue = add('glue', { duration: GRID * whole(1, 3), uses: { hands: 1 }, after: before });
      if (tasks.length < count)
        add('test', {
          duration: GRID * whole(1, 2),
          uses: { hands: 1 },
          after: [{ task: glue, minLag: GRID * whole(8, 60) }],
        });
    } else if (kind === 2) {
      add('sun', { duration: GRID * whole(4, 12), uses: { sun: 1 }, after: before });
    } else if (kind === 3) {
      const first = add('coat', { duration: GRID * whole(1, 3), uses: { hands: 1 }, after: before });
      if (tasks.length < count)
        add('coat', {
          ...{ duration: GRID * whole(1, 3), uses: { hands: 1 } },
          after: [{ task: first, minLag: GRID * whole(2, 6), maxLag: GRID * whole(8, 14) }],
        });
    } else add('soak', { duration: GRID * whole(2, 10), uses: { tub: 1 }, after: before });
    // Some have a window of a few days.
    const last = tasks.at(-1)!;
    if (last.after.length === 0 && random() < 0.2)
      tasks[tasks.length - 1] = { ...last, windows: [minutes([0, DAY * whole(5, days)])] };
  }
  return { resources, tasks };
}
