import { assumed } from '../assumptions/assumptions';
import type { Aim } from '../intake/aim';
import { doseUnit, UVI_PER_MW_CM2, warmthFactor } from '../fade/dose';
import type { PieceSize } from '../size';
import type { PieceFacts } from '../session/gates';
import { exposureForecast, type Band, type ForecastInput } from '../fade/forecast';
import type { Yellow } from '../session/plan';
import { isBath, priorOf, SCHOOL, SCHOOLS, type School, type SchoolId } from '../session/schools';
import { placeSessions, type CloudHour, type Hours, type SessionPlan } from '../session/sessions';
import type { Place } from '../sun/day';
import type { Obstacle } from '../sun/horizon';
import { supplyFor, type OwnStock, type OwnTub, type Supply } from '../session/supply';
import type { UnitSystem } from '../units';

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
  /** What amounts are said in. */
  units?: UnitSystem;
}

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
  supply: Pick<Supply, 'stockId' | 'tubId' | 'litres' | 'words'> | null;
  /** Spread of b* over a face that this way leaves. */
  spreadB: number;
  risks: string[];
  missing: string[];
  /** What of that can be bought. */
  buy: string[];
  /** Why it must not be done on this piece as it is; empty where it may. */
  blocked: string[];
  sun: SessionPlan | null;
}

export interface Comparison {
  ways: Way[];
  /** Ways to take where the sun does not do it by the wished date; `null` where it does, or no date is wished. */
  instead: Way[] | null;
  recommended: Way['school'];
  why: string;
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
): string[] {
  const wet = school.medium !== 'cream';
  const small = Math.min(lengthMm, widthMm, heightMm);
  return [
    labels &&
      (wet && school.id !== 'vapour'
        ? `Label (${labels}): lift it, or tape it over and keep it above the solution.`
        : `Label (${labels}): tape it over.`),
    printed && 'Printed legends may fade: a test on one cap first.',
    painted && 'Paint may lift or bleach: mask it, or leave this piece.',
    clear && 'Clear plastic may craze or cloud: take it off or mask it.',
    brittle && 'Brittle plastic: no flexing, no hot water, a test piece first.',
    school.id === 'oxygen-soak' &&
      Math.max(lengthMm, widthMm) > LONG_MM &&
      small < THIN_MM &&
      'Long and thin: hot water bends it. Keep it under 45 °C (113 °F) and lying flat.',
    school.driver === 'sun' && 'One side paler where the sun comes from one side: turn it by the plan.',
    school.medium === 'cream' && 'Streaks where film wrinkles or cream dries.',
  ].filter((risk): risk is string => Boolean(risk));
}

function blockedBy({ metalInside }: PieceFacts): string[] {
  return metalInside
    ? [`Metal still inside: ${metalInside}. Peroxide attacks it and it stains the plastic. Take it out first.`]
    : [];
}

interface Course {
  sessions: number;
  waitingH: number;
  finish: Date | null;
  turns: number;
  sun: SessionPlan | null;
}

/** How the dose comes about: in whose hours, in how many sessions, until when. */
function courseOf(school: School, dose: number, input: CompareInput): Course {
  const { place, shading, hours, clouds, now, lampMwPerCm2 } = input;
  if (dose <= 0) return { sessions: 0, waitingH: 0, finish: now, turns: 0, sun: null };
  if (school.driver === 'sun') {
    if (!place) return { sessions: 0, waitingH: 0, finish: null, turns: 0, sun: null };
    const plan = placeSessions({
      place,
      shading,
      hours,
      clouds,
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

function wayOf(school: School, input: CompareInput): Way {
  const { piece, toleranceB, lampMwPerCm2, place } = input;
  const yellow = input.yellowOf(school);
  const toGo = yellow ? exposureForecast({ ...yellow, toleranceB, prior: input.priorOf(school) }).doseToGo : null;
  const course = courseOf(school, toGo?.median ?? 0, input);
  const slow = courseOf(school, toGo?.high ?? 0, input);
  const supply = supplyFor(school, piece, input.stock, input.tubs, course.sessions, input.units ?? 'metric');
  const buy = [
    ...supply.buy,
    ...(school.driver === 'lamp' && lampMwPerCm2 === 0 ? ['an ultraviolet lamp (say its UV-A under Workshop)'] : []),
  ];
  const missing = [
    ...buy,
    ...(school.driver === 'sun' && !place ? ['the workshop’s place, for the sun'] : []),
    ...(school.driver === 'sun' && place && toGo && !course.finish ? ['enough sun in the days ahead'] : []),
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
  risks: ['It stays yellow. Nothing is risked and nothing is lost.'],
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
  const ways = [...SCHOOLS.map((id) => wayOf(SCHOOL[id], input)), LEAVE_IT];
  const { aim, aboveB, piece, toleranceB } = input;
  const say = (recommended: Way['school'], why: string, better: Way | null = null): Comparison => ({
    ways,
    recommended,
    why,
    better,
    instead: insteadOfSun(ways, input.by),
  });
  if (aim === 'keep the age') return say('leave-it', 'The aim is to keep its age.');
  if (piece.painted || piece.clear)
    return say(
      'leave-it',
      `${piece.painted ? 'Paint' : 'A clear window'} does not bear peroxide and light: take it off, mask it, or leave the piece as it is.`,
    );
  if (aboveB !== null && aboveB <= toleranceB)
    return say('leave-it', 'It matches its hidden patch already: more would go past it.');
  const open = ways.filter(({ school, blocked }) => school !== 'leave-it' && blocked.length === 0);
  if (open.length === 0) return say('leave-it', `Nothing may be started yet. ${blockedBy(piece)[0]}`);
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
  return say(
    best.school,
    `${ready.length > 0 ? '' : 'Nothing is all here for any way. '}${whyOf(best, next, aboveB !== null, input.going)}`,
    better,
  );
}

function whyOf(best: Way, next: Way, measured: boolean, going: SchoolId | null): string {
  const because = [
    best.school === going && 'it goes on already and its rate on this piece is known',
    best.missing.length < next.missing.length && 'everything for it is here',
    best.spreadB < next.spreadB && 'it comes out evener',
    best.finish && next.finish && best.finish < next.finish && 'it is done sooner',
    best.handsMin < next.handsMin && 'it asks less of the hands',
    best.risks.length < next.risks.length && 'less can go wrong',
  ].filter((reason): reason is string => Boolean(reason));
  const against = `Against ${next.title.toLowerCase()}: ${because.join(', ') || 'it weighs a little less all in all'}.`;
  return `${against}${measured ? '' : ' Not measured yet: times follow once its start is known.'}`;
}

/** The starting guess of every school at its usual strength. */
export const guessOf = (school: School): ForecastInput['prior'] => priorOf(school, school.usualPercentWW);
