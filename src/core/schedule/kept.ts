import type { BenchPlan } from './bench';
import type { TaskAbout } from './facts/tasks';

/** A task of a plan that is kept, in real time. */
export interface KeptTask {
  id: string;
  from: string;
  to: string;
  /** Who does it; `null` where no hands are needed, or anybody’s do. */
  who: string | null;
  about: TaskAbout;
  /** Somebody pinned it there. */
  pinned: boolean;
}

/** When a machine is ready: the day of which the odds are 6 in 10, and that of 9 in 10; `null` for later than is planned. */
export interface KeptReady {
  machine: string;
  planned: string;
  six: string | null;
  nine: string | null;
  wantedAt: string | null;
  /** Chance that it is ready by then; `null` where it is not wanted by a day. */
  odds: number | null;
}

/** What the plan went by, as far as a later one is told apart from it: of days that are whole, since today grows shorter by itself. */
export interface WentBy {
  sun: { day: string; dose: number; own: boolean }[];
  orders: { id: string; what: string; due: string | null }[];
  /** Minutes of each person on each of the coming days. */
  people: { id: string; days: Record<string, number> }[];
}

/** Why a plan is another than the one before. */
export type Cause =
  | { kind: 'sky'; days: string[]; better: boolean }
  | { kind: 'parcel'; what: string; later: boolean }
  | { kind: 'arrived'; what: string }
  | { kind: 'done'; count: number }
  | { kind: 'more to do'; count: number; machine: string | null }
  | { kind: 'off the bench'; machine: string }
  | { kind: 'late'; count: number }
  | { kind: 'people'; fewer: boolean }
  | { kind: 'said'; count: number };

/** What moved against the plan before. */
export interface Moved {
  causes: Cause[];
  tasks: { id: string; about: TaskAbout; from: string; to: string }[];
  ready: { machine: string; was: string; is: string }[];
}

export interface KeptPlan {
  tasks: KeptTask[];
  leftOut: { id: string; about: TaskAbout; why: BenchPlan['leftOut'][number]['why'] }[];
  unpinned: string[];
  ready: KeptReady[];
  /** How often it was played through for these days and odds; plans of earlier versions do not tell, and one without a machine is not. */
  runs?: number | undefined;
  /** The end of all and the end that no plan is under, minutes from its start. */
  makespan: number;
  lowerBound: number;
  wentBy: WentBy;
  marks: string[];
  /** What moved against the plan that stood before; `null` where nothing worth a word did. */
  moved: Moved | null;
}
