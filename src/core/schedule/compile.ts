import { Refusal } from '../refusal';
import { NoPlace } from './noPlace';
import { NEVER, type Compiled, type Interval, type Problem, type Task } from './problem';

const ALWAYS: readonly Interval[] = [[0, NEVER]];

/** Sorted, with those that touch joined: a task that crosses from one into the next never leaves them. */
function joined(intervals: readonly Interval[]): Interval[] {
  const sorted = intervals.filter(([from, to]) => to > from).sort(([a], [b]) => a - b);
  const all: [number, number][] = [];
  for (const [from, to] of sorted) {
    const last = all.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else all.push([from, to]);
  }
  return all;
}

/** What lies in both. */
function common(a: readonly Interval[], b: readonly Interval[]): Interval[] {
  const both: Interval[] = [];
  for (let i = 0, k = 0; i < a.length && k < b.length;) {
    const [from, to] = [Math.max(a[i]![0], b[k]![0]), Math.min(a[i]![1], b[k]![1])];
    if (to > from) both.push([from, to]);
    if (a[i]![1] < b[k]![1]) i++;
    else k++;
  }
  return both;
}

/**
 * When a task may begin: its windows one by one, each with what the resources leave of it. A window is not joined with the
 * next: a task runs wholly within one.
 *
 * @throws Refusal naming it, where it fits nowhere
 */
function startsOf(task: Task, there: ReadonlyMap<string, readonly Interval[]>): Interval[] {
  const { duration, id } = task;
  let open: readonly Interval[] = ALWAYS;
  for (const [id, units] of Object.entries(task.uses)) if (units > 0) open = common(open, there.get(id) ?? ALWAYS);
  const longest = (intervals: readonly Interval[]) =>
    intervals.reduce((most, [from, to]) => Math.max(most, to - from), 0);
  if (longest(open) < duration) throw new NoPlace(id, { kind: 'hours', minutes: duration, longestMin: longest(open) });
  const windows = (task.windows ?? ALWAYS).filter(([from, to]) => to > from || duration === 0);
  if (longest(windows) < duration)
    throw new NoPlace(id, { kind: 'window', minutes: duration, longestMin: longest(windows) });
  const starts = windows.flatMap((window) =>
    (duration === 0 ? touching(open, window) : common(open, [window])).flatMap(([from, to]): Interval[] =>
      to - from >= duration ? [[from, to - duration]] : [],
    ),
  );
  if (starts.length === 0) throw new NoPlace(id, { kind: 'hours in its windows', minutes: duration });
  return joinedStarts(starts);
}

/** When a task may begin, and when with each of those of which it needs one. */
interface Starts {
  choices: readonly { id: string; starts: readonly Interval[] }[];
  starts: readonly Interval[];
}

/** When the resources of a problem are there, and what tasks of the same length, needs and windows may begin at by that. */
interface There {
  of: ReadonlyMap<string, readonly Interval[]>;
  found: Map<readonly Interval[], Map<string, Starts>>;
}

/** The same resources are asked for again and again, each time with fewer tasks. */
const known = new WeakMap<Problem['resources'], There>();

function thereOf(resources: Problem['resources']): There {
  const told = known.get(resources);
  if (told) return told;
  const there: There = {
    of: new Map(resources.map(({ id, available }) => [id, available ? joined(available) : ALWAYS])),
    found: new Map(),
  };
  known.set(resources, there);
  return there;
}

/** As they are worked out, but once for all tasks that are alike: a large bench has thousands of a few kinds. */
function allStartsOf(task: Task, { of, found }: There): Starts {
  const windows = task.windows ?? ALWAYS;
  const like = JSON.stringify([task.duration, task.uses, task.anyOf]);
  const alike = found.get(windows) ?? new Map<string, Starts>();
  found.set(windows, alike);
  const told = alike.get(like);
  if (told) return told;
  const choices = choicesOf(task, of);
  const starts = choices.length > 0 ? joinedStarts(choices.flatMap((choice) => choice.starts)) : startsOf(task, of);
  alike.set(like, { choices, starts });
  return { choices, starts };
}

/** When a task may begin with each of those of which it needs one. @throws NoPlace where it fits with none */
function choicesOf(task: Task, there: ReadonlyMap<string, readonly Interval[]>) {
  let refused: unknown = null;
  const fits = (task.anyOf ?? []).flatMap((id) => {
    try {
      return [{ id, starts: startsOf({ ...task, uses: { ...task.uses, [id]: 1 } }, there) }];
    } catch (failure) {
      refused ??= failure;
      return [];
    }
  });
  if (fits.length === 0 && refused !== null) throw refused as NoPlace;
  return fits;
}

/** What lies in a window, down to single moments: something that takes no time fits into one. */
const touching = (open: readonly Interval[], [from, to]: Interval): Interval[] =>
  open.flatMap(([a, b]): Interval[] => {
    const [low, high] = [Math.max(a, from), Math.min(b, to)];
    return high >= low ? [[low, high]] : [];
  });

/** Starts count with both ends, so that neighbours are one minute apart. */
function joinedStarts(starts: readonly Interval[]): Interval[] {
  const all: [number, number][] = [];
  for (const [from, to] of [...starts].sort(([a], [b]) => a - b)) {
    const last = all.at(-1);
    if (last && from <= last[1] + 1) last[1] = Math.max(last[1], to);
    else all.push([from, to]);
  }
  return all;
}

/**
 * A problem by numbers.
 *
 * @throws Refusal for names that are there twice or not at all, a circle, lags that contradict themselves, and a task that
 * fits nowhere: each by its name
 */
export function compile({ resources, tasks }: Problem): Compiled {
  const twice = (ids: readonly string[]) => ids.find((id, i) => ids.indexOf(id) !== i);
  const ids = tasks.map(({ id }) => id);
  const place = new Map(ids.map((id, i) => [id, i]));
  if (place.size < ids.length) throw new Refusal('tasks', `Two tasks are called “${twice(ids)}”. Name them apart.`);
  const resourceIds = resources.map(({ id }) => id);
  const resourceAt = new Map(resourceIds.map((id, i) => [id, i]));
  if (resourceAt.size < resourceIds.length)
    throw new Refusal('resources', `Two resources are called “${twice(resourceIds)}”. Name them apart.`);
  const there = thereOf(resources);
  const before = tasks.map(({ id, after }) =>
    after.map(({ task, minLag, maxLag }) => {
      const at = place.get(task);
      if (at === undefined) throw new Refusal('tasks', `“${id}” waits for “${task}”, which is not among the tasks.`);
      if (maxLag !== undefined && maxLag < minLag)
        throw new Refusal(
          'tasks',
          `“${id}” has to follow “${task}” by ${maxLag} min at most and by ${minLag} at least.`,
        );
      return { task: at, minLag, maxLag: maxLag ?? NEVER };
    }),
  );
  const behind = tasks.map((): (typeof before)[number] => []);
  for (const [i, lags] of before.entries()) for (const lag of lags) behind[lag.task]!.push({ ...lag, task: i });
  const resourceOf = (id: string, name: string): number => {
    const resource = resourceAt.get(name);
    if (resource === undefined)
      throw new Refusal('tasks', `“${id}” needs “${name}”, which is not among the resources.`);
    return resource;
  };
  const needs = tasks.map(({ id, uses }) =>
    Object.entries(uses).flatMap(([name, units]) => {
      const resource = resourceOf(id, name);
      if (units > resources[resource]!.capacity)
        throw new Refusal(
          'tasks',
          `“${id}” needs ${units} of “${name}”, and there are ${resources[resource]!.capacity}.`,
        );
      return units > 0 ? [{ resource, units }] : [];
    }),
  );
  const fits = tasks.map((task) => allStartsOf(task, there));
  return {
    ...{ ids, before, behind, needs },
    choices: fits.map(({ choices }, i) =>
      choices.map(({ id, starts }) => ({ starts, resource: resourceOf(ids[i]!, id) })),
    ),
    apartFrom: tasks.map(({ id, apartFrom = [] }) => apartFrom.map((name) => resourceOf(id, name))),
    taken: resources.map(({ taken = [] }) => taken),
    durations: tasks.map(({ duration }) => duration),
    capacities: resources.map(({ capacity }) => capacity),
    topological: inOrder(ids, before),
    starts: fits.map(({ starts }) => starts),
  };
}

/** Each after all that it waits for. @throws Refusal with the circle */
function inOrder(ids: readonly string[], before: Compiled['before']): number[] {
  const order: number[] = [];
  const state = new Uint8Array(ids.length);
  // By hand instead of by recursion: a row of thousands must not end in a full stack.
  for (let root = 0; root < ids.length; root++) {
    const stack: { task: number; next: number }[] = state[root] === 0 ? [{ task: root, next: 0 }] : [];
    while (stack.length > 0) {
      const top = stack.at(-1)!;
      state[top.task] = 1;
      const lag = before[top.task]![top.next++];
      if (!lag) {
        state[top.task] = 2;
        order.push(top.task);
        stack.pop();
      } else if (state[lag.task] === 1) {
        const circle = stack
          .slice(stack.findIndex(({ task }) => task === lag.task))
          .map(({ task }) => `“${ids[task]}”`);
        throw new Refusal(
          'tasks',
          `These wait for one another in a circle: ${circle.join(', ')}. Take one of the waits out.`,
        );
      } else if (state[lag.task] === 0) stack.push({ task: lag.task, next: 0 });
    }
  }
  return order;
}
