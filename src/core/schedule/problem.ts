/** From and to, whole minutes from the plan’s start; the end is not in it. */
export type Interval = readonly [from: number, to: number];

/** Something that tasks need while they run. */
export interface Resource {
  id: string;
  /** So many units at once. */
  capacity: number;
  /** When it is there; always, where that is left out. */
  available?: readonly Interval[] | undefined;
  /** What of it is taken by what stands already, whoever laid it. */
  taken?: readonly (readonly [from: number, to: number, units: number])[] | undefined;
}

/** Something that runs through without a pause. */
export interface Task {
  id: string;
  duration: number;
  uses: Readonly<Record<string, number>>;
  /** One unit of one of these as well: a pair of hands, whoever’s. */
  anyOf?: readonly string[] | undefined;
  /** Nothing that uses one of these may run beside it. */
  apartFrom?: readonly string[] | undefined;
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

/** A far end that stands for no end, within what a plan counts with. */
export const FAR = 2 ** 29;

/** Windows from a moment on; without any, all that is to come. */
export const cut = (windows: readonly Interval[] | undefined, from: number): Interval[] =>
  (windows ?? [[0, FAR]]).flatMap(([a, b]): Interval[] => (b > from ? [[Math.max(a, from), b]] : []));

/** A problem by numbers: places in lists instead of names. */
export interface Compiled {
  ids: readonly string[];
  durations: readonly number[];
  capacities: readonly number[];
  /** Of each task what it needs, resource by resource. */
  needs: readonly (readonly { resource: number; units: number }[])[];
  /** Of each task of which one unit is needed, with when it may begin with it; none where it needs no such. */
  choices: readonly (readonly { resource: number; starts: readonly Interval[] }[])[];
  apartFrom: readonly (readonly number[])[];
  /** Of each resource what is taken from the start. */
  taken: readonly (readonly (readonly [from: number, to: number, units: number])[])[];
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
