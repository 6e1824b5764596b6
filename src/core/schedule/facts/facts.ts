import type { Stage } from '../../runsheet/stages';
import type { Interval } from '../problem';

/** All times are minutes from the plan’s start; what lies before it is negative. */

/** A person of the workshop, with when she or he is there. */
export interface PersonFacts {
  id: string;
  available: readonly Interval[];
}

/** How many of each there are at the bench; of places in the sun and on the rack how many pieces find room. */
export type BenchThings = Record<PlaceName, number>;

/** Light of one coming day as it is foretold, through no cover. */
export interface SunDayFacts {
  /** The stretch that is worth putting out, within the hours that somebody is there. */
  from: number;
  to: number;
  /** UVI·h over it. */
  dose: number;
  /** Whether the sky of it was looked at or came from a file. */
  own: boolean;
}

/** What a task uses up: of a bottle, or of whatever bears the word. */
export interface Takes {
  stockId: string | null;
  word: string;
  /** In the unit of its kind; `null` where nobody says how much. */
  amount: number | null;
  /** Somebody said that it is owned: where it is not on the shelf, nothing is missing. */
  owned?: boolean;
}

export interface YellowFacts {
  /** What drives the way that it goes, or would go. */
  driver: 'sun' | 'lamp' | 'warmth';
  /** Dose to go: UVI·h through the cover, or hours; and its 5 and 95 in a hundred. */
  toGo: { low: number; median: number; high: number };
  /** Of the light, what comes through the cover. */
  transmission: number;
  setUpMin: number;
  /** Dose of an hour under the lamp or at the warmth that is usual. */
  perHour: number;
  /** Longest session of the way, min. */
  longestMin: number;
  /** A session that is planned already. */
  planned: { start: number; end: number } | null;
  /** What one session uses up. */
  takes: Takes | null;
}

export interface PieceFacts {
  id: string;
  /** It stands for pieces that nobody tagged yet: what is planned for it is a guess. */
  guessed?: boolean;
  tag: string;
  name: string;
  plastic: boolean;
  /** Minutes at the brush after its first bath; `null` where it had that. */
  brushMin: number | null;
  /** Nothing else is done to it before: it dries or cures. */
  busyUntil: number;
  /** When the exposure that it lies in ends; `null` where it lies in none. */
  exposedUntil: number | null;
  /** How many sessions it has had: the next is another task than the last. */
  sessionsDone: number;
  /** It is plastic, to be brightened, and not measured yet. */
  unmeasured: boolean;
  /** Its last exposure has no measurement yet. */
  measureAgain: boolean;
  yellow: YellowFacts | null;
}

/** A job on a piece, or on the machine as a whole: hands first, then a wait. */
export interface JobFacts {
  id: string;
  name: string;
  pieceId: string | null;
  handsMin: number;
  waitMin: number;
  /** Never beside open peroxide. */
  acid: boolean;
  /** What came before it on the same spot cures or soaks until then. */
  notBefore: number;
  /** A parcel that it waits for. */
  orderId: string | null;
  takes: readonly Takes[];
}

export interface CoatFacts {
  id: string;
  name: string;
  jobId: string;
  pieceId: string | null;
  /** After the coat under it: soonest and latest, min. */
  minLag: number;
  maxLag: number | null;
  /** When the coat under it was laid, where that is laid already. */
  underLaid: number | null;
  /** When the air allows it; `null` for any time. */
  windows: readonly Interval[] | null;
  takes: Takes;
}

interface RequestFacts {
  id: string;
  what: string;
  stage: Stage;
  pieceId: string | null;
  asked: number;
}

interface OrderFacts {
  id: string;
  what: string;
  /** `null` where it is not ordered yet. */
  due: number | null;
  /** Standard deviation of the logarithm of how long parcels take. */
  spread: number;
}

export interface MachineFacts {
  id: string;
  open: readonly Stage[];
  photographed: boolean;
  powerDecided: boolean;
  /** Steps of the teardown that are told and not out yet, and steps that are to go back. */
  toTakeOut: number;
  toPutBack: number;
  pieces: readonly PieceFacts[];
  spots: readonly JobFacts[];
  boards: readonly { id: string; name: string; keys: number }[];
  mends: readonly JobFacts[];
  rusts: readonly JobFacts[];
  coats: readonly CoatFacts[];
  requests: readonly RequestFacts[];
  orders: readonly OrderFacts[];
  /** Pieces of it that are to be looked at again, and when. */
  looks: readonly { id: string; pieceId: string; due: number }[];
  /** When it is wanted, and how much that counts; `null` where nobody said. */
  wish: { dueMin: number; weight: number } | null;
}

/** A task that somebody added by hand. */
export interface OwnTaskFacts {
  id: string;
  machine: string | null;
  what: string;
  minutes: number;
  hands: boolean;
  place: PlaceName | null;
  after: string | null;
}

/** What of the bench a task lies in or takes up. */
export const PLACES = ['sink', 'tub', 'sun', 'lamp', 'box', 'rack', 'clamp', 'meter'] as const;
export type PlaceName = (typeof PLACES)[number];

/** What somebody said of a task, by its id. */
export interface MarkFacts {
  at?: number | undefined;
  /** It is about to begin then, by the plan before: it stays there if that can be. */
  soon?: number | undefined;
  notBefore?: number | undefined;
  minutes?: number | undefined;
  dropped?: boolean | undefined;
  personId?: string | undefined;
}

export interface BenchFacts {
  people: readonly PersonFacts[];
  things: BenchThings;
  sun: readonly SunDayFacts[];
  machines: readonly MachineFacts[];
  own: readonly OwnTaskFacts[];
  /** What runs now takes up, and until when. */
  running: readonly { place: PlaceName; until: number; peroxide: boolean }[];
  marks: Readonly<Record<string, MarkFacts>>;
  /** Tasks that were said to be done. */
  done: readonly string[];
  before: Readonly<Record<string, number>>;
}
