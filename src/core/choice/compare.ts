import { assumed } from '../assumptions/assumptions';
import type { Aim } from '../intake/aim';
import { doseUnit, UVI_PER_MW_CM2, warmthFactor } from '../fade/dose';
import type { PieceSize } from '../size';
import type { PieceFacts } from '../session/gates';
import type { Band, ForecastInput } from '../fade/fade';
import { exposureForecast } from '../fade/forecast';
import type { Yellow } from '../session/plan';
import { isBath, priorOf, SCHOOL, SCHOOLS, type School, type SchoolId } from '../session/schools';
import { openLight, placeSessions, type CloudHour, type Hours, type SessionPlan } from '../session/sessions';
import type { Place } from '../sun/day';
import type { Obstacle } from '../sun/horizon';
import { supplyFor, type Need, type OwnStock, type OwnTub, type Supply } from '../session/supply';

export interface CompareInput {
  piece: PieceFacts & PieceSize;
  aim: Aim;
  /** What each school’s forecast starts from: doses of light and hours of warmth are not added up. */
  yellowOf: (school: School) => Yellow | null;
  /** b* above the hidden patch as last measured; `null` before that. */
  aboveB: number | null;
  toleranceB: number;
  /** Guess of each school's rate, pooled where there is a record. */
  priorOf: (school: School) => ForecastInput['prior'];
  /** `null` where the workshop has no place yet. */
  place: Place | null;
  shading: readonly Obstacle[];
  /** The person's hours of the coming days. */
  hours: readonly Hours[];
  clouds: readonly CloudHour[];
  now: Date;
  stock: readonly OwnStock[];
  /** Tubs, sinks and boxes that were measured inside. */
  tubs: readonly OwnTub[];
  /** UV-A of the workshop's lamp at the piece, mW/cm²; 0 without one. */
  lampMwPerCm2: number;
  /** The way that a treatment of this piece goes now; `null` where none goes. */
  going: SchoolId | null;
  /** When it is wanted; `null` where there is no hurry. */
  by: Date | null;
}

/** What can go wrong with a piece on a way. */
export type Risk =
  | { kind: 'label'; label: string; wet: boolean }
  | {
      kind:
        | 'printed legends'
        | 'paint'
        | 'clear plastic'
        | 'brittle plastic'
        | 'hot water bends'
        | 'one side paler'
        | 'streaks';
    };

/** What a way still lacks: to be bought, or to be said, or to be waited for. */
export type Missing = Need | { kind: 'place' } | { kind: 'sun' };

/** Why a way must not be gone with a piece as it is. */
export interface Block {
  kind: 'metal inside';
  metal: string;
}

/** Why a way is recommended, or none. */
export type Reason =
  | { kind: 'keep the age' | 'paint' | 'clear window' | 'matched already' }
  | { kind: 'blocked'; by: Block }
  | {
      kind: 'weighed';
      /** The next best way. */
      against: string;
      for: ('goes on' | 'all is here' | 'evener' | 'sooner' | 'less hands' | 'less risk')[];
      /** Whether anything is all here for any way. */
      ready: boolean;
      measured: boolean;
    };

export interface Way {
  school: SchoolId | 'leave-it';
  title: string;
  /** ISO 8601; `null` where it does not come to an end in the days looked at. */
  finish: string | null;
  /** The same for a piece that is slower than nine in ten like it. */
  finishSlow: string | null;
  dose: { toGo: Band; unit: string } | null;
  sessions: number;
  handsMin: number;
  waitingH: number;
  /** Of the workshop's own stock; `null` where it has none or its price is not known. */
  costMinor: number | null;
  supply: Pick<Supply, 'stockId' | 'tubId' | 'litres' | 'takes'> | null;
  /** Spread of b* over a face that this way leaves. */
  spreadB: number;
  risks: Risk[];
  missing: Missing[];
  /** What of that can be bought. */
  buy: Need[];
  /** Empty where it may be gone. */
  blocked: Block[];
  sun: SessionPlan | null;
}

export interface Comparison {
  ways: Way[];
  /** Ways to take where the sun does not do it by the wished date; `null` where it does, or no date is wished. */
  instead: Way[] | null;
  recommended: Way['school'];
  why: Reason;
  /** What would do better than what the shelf allows, if it were bought; `null` where nothing would. */
  better: Way | null;
}

const HOUR_MS = 3_600_000;
const LAMP_HOURS_A_DAY = 12;
const LONGEST_SUN_MIN = 8 * 60;
/** Longer than this and not higher than that, hot water bends it. */
const LONG_MM = 180;
const THIN_MM = 25;

/** What can go wrong with a piece on a way, as the craft knows it. */
function risksOf(
  school: School,
  { labels, printed, painted, clear, brittle, lengthMm, widthMm, heightMm }: CompareInput['piece'],
): Risk[] {
  const wet = school.medium !== 'cream' && school.id !== 'vapour';
  const thin = Math.max(lengthMm, widthMm) > LONG_MM && Math.min(lengthMm, widthMm, heightMm) < THIN_MM;
  const plain = {
    'printed legends': printed,
    paint: painted,
    'clear plastic': clear,
    'brittle plastic': brittle,
    'hot water bends': school.id === 'oxygen-soak' && thin,
    'one side paler': school.driver === 'sun',
    streaks: school.medium === 'cream',
  };
  const kinds = (Object.keys(plain) as (keyof typeof plain)[]).filter((kind) => plain[kind]);
  return [...(labels ? [{ kind: 'label' as const, label: labels, wet }] : []), ...kinds.map((kind) => ({ kind }))];
}

const blockedBy = ({ metalInside }: PieceFacts): Block[] =>
  metalInside ? [{ kind: 'metal inside', metal: metalInside }] : [];

/** What is compared, with the light of the hours, which every way under the sun shares. */
interface Compared extends CompareInput {
  light: ReturnType<typeof openLight>;
}

interface Course {
  sessions: number;
  waitingH: number;
  finish: Date | null;
  turns: number;
  sun: SessionPlan | null;
}

/** How the dose comes about: in whose hours, in how many sessions, until when. */
function courseOf(school: School, dose: number, input: Compared): Course {
  const { place, shading, hours, clouds, light, now, lampMwPerCm2 } = input;
  if (dose <= 0) return { sessions: 0, waitingH: 0, finish: now, turns: 0, sun: null };
  if (school.driver === 'sun') {
    if (!place) return { sessions: 0, waitingH: 0, finish: null, turns: 0, sun: null };
    const plan = placeSessions({
      place,
      shading,
      hours,
      clouds,
      light,
      transmission: school.transmission,
      doseToGo: dose,
      longestMin: LONGEST_SUN_MIN,
    });
    const minutes = plan.sessions.reduce((sum, { from, to }) => sum + (Date.parse(to) - Date.parse(from)) / 60_000, 0);
    const last = plan.sessions[plan.sessions.length - 1];
    return {
      sessions: plan.sessions.length,
      waitingH: minutes / 60,
      finish: plan.enough && last ? new Date(last.to) : null,
      turns: Math.floor(minutes / school.turnEveryMin),
      sun: plan,
    };
  }
  const perHour =
    school.driver === 'lamp' ? lampMwPerCm2 * UVI_PER_MW_CM2 * school.transmission : warmthFactor(school.usualC);
  if (perHour <= 0) return { sessions: 0, waitingH: 0, finish: null, turns: 0, sun: null };
  const waitingH = dose / perHour;
  const hoursADay = school.driver === 'lamp' ? LAMP_HOURS_A_DAY : 24;
  const longest = school.usualHours[1];
  return {
    sessions: Math.max(1, Math.ceil(waitingH / longest)),
    waitingH,
    finish: new Date(now.getTime() + (waitingH / hoursADay) * 24 * HOUR_MS),
    turns: Math.floor((waitingH * 60) / school.turnEveryMin),
    sun: null,
  };
}

function wayOf(school: School, input: Compared): Way {
  const { piece, toleranceB, lampMwPerCm2, place } = input;
  const yellow = input.yellowOf(school);
  const toGo = yellow ? exposureForecast({ ...yellow, toleranceB, prior: input.priorOf(school) }).doseToGo : null;
  const course = courseOf(school, toGo?.median ?? 0, input);
  const slow = courseOf(school, toGo?.high ?? 0, input);
  const supply = supplyFor(school, piece, input.stock, input.tubs, course.sessions);
  const buy: Need[] = [
    ...supply.buy,
    ...(school.driver === 'lamp' && lampMwPerCm2 === 0 ? [{ kind: 'lamp' as const }] : []),
  ];
  const missing: Missing[] = [
    ...buy,
    ...(school.driver === 'sun' && !place ? [{ kind: 'place' as const }] : []),
    ...(school.driver === 'sun' && place && toGo && !course.finish ? [{ kind: 'sun' as const }] : []),
  ];
  return {
    school: school.id,
    title: school.title,
    finish: toGo ? (course.finish?.toISOString() ?? null) : null,
    finishSlow: toGo ? (slow.finish?.toISOString() ?? null) : null,
    dose: toGo && { toGo, unit: doseUnit(school) },
    sessions: course.sessions,
    handsMin: Math.max(1, course.sessions) * school.hands.setUpMin + course.turns * school.hands.turnMin,
    waitingH: course.waitingH,
    costMinor: supply.costMinor,
    supply,
    spreadB: school.spreadB,
    risks: risksOf(school, piece),
    missing,
    buy,
    blocked: blockedBy(piece),
    sun: course.sun,
  };
}

const LEAVE_IT: Way = {
  school: 'leave-it',
  title: 'Leave it',
  finish: null,
  finishSlow: null,
  dose: null,
  sessions: 0,
  handsMin: 0,
  waitingH: 0,
  costMinor: 0,
  supply: null,
  spreadB: 0,
  risks: [],
  missing: [],
  buy: [],
  blocked: [],
  sun: null,
};

const isLate = ({ finish }: Way, by: Date | null): boolean =>
  by !== null && (finish === null || Date.parse(finish) > by.getTime());

/** What would do instead of the sun; `null` where the sun does it by the wished date, or none is wished. */
function insteadOfSun(ways: readonly Way[], by: Date | null): Way[] | null {
  const drivenBy = (driver: School['driver']) =>
    ways.filter(({ school }) => school !== 'leave-it' && SCHOOL[school].driver === driver);
  const sunny = drivenBy('sun').filter(({ dose }) => dose !== null);
  if (by === null || sunny.length === 0 || sunny.some((way) => !isLate(way, by))) return null;
  return [...drivenBy('lamp'), ...ways.filter(({ school }) => school === 'vapour')];
}

/** What has no end in sight counts for so many days. */
const NEVER_DAYS = 60;

/** What a way costs, all counted in minutes of hands, lateness and a change of way too; lower is better. */
export function effortOf(way: Way, { now, by, going }: Pick<CompareInput, 'now' | 'by' | 'going'>): number {
  const { handsMin, finish, finishSlow, spreadB, risks, missing, school } = way;
  const end = finishSlow ?? finish;
  const days = end ? (Date.parse(end) - now.getTime()) / (24 * HOUR_MS) : NEVER_DAYS;
  return (
    handsMin +
    assumed('a day of waiting') * days +
    assumed('a unit of uneven b*') * spreadB +
    assumed('a risk') * risks.length +
    assumed('a thing to buy') * missing.length +
    (isLate(way, by) ? assumed('too late') : 0) +
    (going !== null && school !== going ? assumed('a change of way') : 0)
  );
}

/**
 * All ways to brighten a piece, *leave it* included, for this piece, these days and this place; and which Kvell would
 * take. The weights of the recommendation are a convention of its own: the person decides.
 */
export function compareWays(input: CompareInput): Comparison {
  const light = input.place ? openLight({ ...input, place: input.place }) : [];
  const ways = [...SCHOOLS.map((id) => wayOf(SCHOOL[id], { ...input, light })), LEAVE_IT];
  const { aim, aboveB, piece, toleranceB } = input;
  const say = (recommended: Way['school'], why: Reason, better: Way | null = null): Comparison => ({
    ways,
    recommended,
    why,
    better,
    instead: insteadOfSun(ways, input.by),
  });
  if (aim === 'keep the age') return say('leave-it', { kind: 'keep the age' });
  if (piece.painted) return say('leave-it', { kind: 'paint' });
  if (piece.clear) return say('leave-it', { kind: 'clear window' });
  if (aboveB !== null && aboveB <= toleranceB) return say('leave-it', { kind: 'matched already' });
  const open = ways.filter(({ school, blocked }) => school !== 'leave-it' && blocked.length === 0);
  if (open.length === 0) return say('leave-it', { kind: 'blocked', by: blockedBy(piece)[0]! });
  const effort = (way: Way) => effortOf(way, input);
  const sorted = [...open].sort((a, b) => effort(a) - effort(b));
  // What is on the shelf comes first; what would have to be bought is said beside it. A way that goes on has its bath.
  const stands = ({ school, missing, buy }: Way) =>
    school !== 'leave-it' &&
    school === input.going &&
    isBath(SCHOOL[school]) &&
    missing.length === buy.length &&
    (SCHOOL[school].driver !== 'lamp' || input.lampMwPerCm2 > 0);
  const ready = sorted.filter((way) => way.missing.length === 0 || stands(way));
  const best = ready[0] ?? sorted[0]!;
  const next = (ready.length > 1 ? ready : sorted).find((way) => way !== best)!;
  const better =
    ready.length > 0
      ? sorted.slice(0, sorted.indexOf(best)).find(({ missing, buy }) => missing.length === buy.length)
      : null;
  return say(best.school, whyOf(best, next, ready.length > 0, aboveB !== null, input.going), better);
}

function whyOf(best: Way, next: Way, ready: boolean, measured: boolean, going: SchoolId | null): Reason {
  const speaks = {
    'goes on': best.school === going,
    'all is here': best.missing.length < next.missing.length,
    evener: best.spreadB < next.spreadB,
    sooner: best.finish !== null && next.finish !== null && best.finish < next.finish,
    'less hands': best.handsMin < next.handsMin,
    'less risk': best.risks.length < next.risks.length,
  };
  const why = (Object.keys(speaks) as (keyof typeof speaks)[]).filter((kind) => speaks[kind]);
  return { kind: 'weighed', against: next.title, for: why, ready, measured };
}

/** The starting guess of every school at its usual strength. */
export const guessOf = (school: School): ForecastInput['prior'] => priorOf(school, school.usualPercentWW);
