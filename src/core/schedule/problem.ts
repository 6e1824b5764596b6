/** From and to, whole minutes from the plan’s start; the end is not in it. */
export type Interval = readonly [from: number, to: number];

/** Something that tasks need while they run. */
interface Resource {
  id: string;
  /** So many units at once. */
  capacity: number;
  /** When it is there; always, where that is left out. */
  available?: readonly Interval[] | undefined;
}

/** Something that runs through without a pause. */
export interface Task {
  id: string;
  duration: number;
  uses: Readonly<Record<string, number>>;
  /** Lags count from the end of the earlier to the start of the later. */
  after: readonly { task: string; minLag: number; maxLag?: number | undefined }[];
  /** It runs wholly within one of them; at any time, where that is left out. */
  windows?: readonly Interval[] | undefined;
}

export interface Problem {
  resources: readonly Resource[];
  tasks: readonly Task[];
}

/** A time that no plan reaches. */
export const NEVER = 2 ** 30;

/** A problem by numbers: places in lists instead of names. */
export interface Compiled {
  ids: readonly string[];
  durations: readonly number[];
  capacities: readonly number[];
  /** Of each task what it needs, resource by resource. */
  needs: readonly (readonly { resource: number; units: number }[])[];
  /** Of each task when it may begin, sorted, apart from one another. */
  starts: readonly (readonly Interval[])[];
  before: readonly (readonly Lag[])[];
  behind: readonly (readonly Lag[])[];
  /** Tasks, each after all that it waits for. */
  topological: readonly number[];
}

interface Lag {
  task: number;
  minLag: number;
  maxLag: number;
}
